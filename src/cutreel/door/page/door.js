// The page behind a link: the film, and where that is allowed notes. Texts are set as text, never as HTML.
"use strict";

const here = window.location.pathname.replace(/\/+$/, "");
const $ = (id) => document.getElementById(id);
const minutes = (s) => `${Math.floor(s / 60)}:${String(Math.floor(s) % 60).padStart(2, "0")}`;

async function asked(path, body) {
  const answer = await fetch(here + path, {
    method: body ? "POST" : "GET",
    headers: body ? { "Content-Type": "application/json" } : {},
    body: body ? JSON.stringify(body) : undefined,
  });
  if (answer.status === 204) return null;
  const told = await answer.json();
  if (!answer.ok) throw Object.assign(new Error(told.title), { status: answer.status });
  return told;
}

function show(film) {
  document.title = film.title;
  $("title").textContent = film.cut ? `${film.title}, ${film.cut}` : film.title;
  $("for").textContent = film.label;
  $("for").hidden = !film.label;
  $("lock").hidden = true;
  const video = $("video");
  if (film.made && video.hidden) {
    video.src = `${here}/video`;
    video.hidden = false;
  }
  $("said").textContent = film.made ? "" : "The film is not made yet. Come again later.";
  $("notes").hidden = !film.may_note || !film.made;
  $("list").replaceChildren(...film.notes.map(shown));
}

function shown(note) {
  const item = document.createElement("li");
  item.className = note.done ? "done" : "";
  const button = document.createElement("button");
  button.type = "button";
  const time = document.createElement("time");
  time.textContent = minutes(note.at);
  const words = document.createElement("span");
  words.textContent = `${note.by}: ${note.text}${note.done ? " (done)" : ""}`;
  button.append(time, words);
  button.addEventListener("click", () => {
    $("video").currentTime = note.at;
    $("video").scrollIntoView({ block: "nearest" });
  });
  item.append(button);
  return item;
}

async function open() {
  try {
    show(await asked("/film"));
  } catch (error) {
    $("lock").hidden = error.status !== 401;
    $("said").textContent = error.status === 401 ? "" : error.message;
  }
}

$("lock").addEventListener("submit", async (event) => {
  event.preventDefault();
  try {
    await asked("/enter", { password: $("password").value });
    $("said").textContent = "";
    await open();
  } catch (error) {
    $("said").textContent = error.status === 401 ? "That is not the password." : error.message;
  }
});

$("note").addEventListener("submit", async (event) => {
  event.preventDefault();
  try {
    const at = $("video").currentTime;
    show(await asked("/notes", { at, text: $("text").value, by: $("by").value }));
    $("text").value = "";
    $("said").textContent = "Noted.";
  } catch (error) {
    $("said").textContent = error.message;
  }
});
$("video").addEventListener("timeupdate", () => {
  $("at").textContent = minutes($("video").currentTime);
});
void open();
