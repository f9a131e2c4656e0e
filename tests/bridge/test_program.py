"""Programs as makers: real ones, run as they would be, among them some that misbehave."""

import sys
import threading
import time
from pathlib import Path

import pytest

from cutreel.bridge import Plugged, Program, ProgramMaker, check_program
from cutreel.core.errors import BadInput
from cutreel.protocol import PictureInput, PictureReference, SoundInput
from cutreel.services import ServiceRefused

WORK = PictureInput(prompt='"; touch hurt; echo "', seed=7, width=64, height=64)


def program(
    script: str,
    *words: str,
    seconds: int = 20,
    megabytes: int = 2000,
    ending: str = "png",
    kind: str = "picture",
) -> ProgramMaker:
    """A maker whose program is a Python script."""
    settings = Plugged.model_validate(
        {
            "id": "sketcher",
            "title": "Sketcher",
            "reached": {
                "how": "program",
                "command": [sys.executable, "-c", script, "{output}", *words],
                "offer": {"kind": kind, "price": "0.02"},
                "ending": ending,
                "seconds": seconds,
                "megabytes": megabytes,
            },
        }
    )
    return ProgramMaker(settings)


DRAW = """
import json, os, sys
from PIL import Image
out, *rest = sys.argv[1:]
Image.new("RGB", (64, 48), (int(rest[1]) * 9, 90, 30)).save(out)
print(json.dumps([rest, sorted(os.environ), os.getcwd()]))
open(os.path.join(HERE, "told.json"), "w").write(json.dumps([rest, sorted(os.environ), os.getcwd()]))
"""


def test_a_program_is_given_its_words_and_nothing_of_ours(tmp_path: Path, monkeypatch) -> None:
    import json

    monkeypatch.setenv("CUTREEL_DATABASE", "postgresql://secret")
    script = f"HERE = {str(tmp_path)!r}\n{DRAW}"
    done = program(script, "{prompt}", "{seed}", "{width}x{height}").do("sketcher", WORK, "k")
    rest, environment, folder = json.loads((tmp_path / "told.json").read_text())
    # The prompt is one word, whatever stands in it: no shell reads it.
    assert rest == [WORK.prompt, "7", "64x64"]
    assert not any(name.startswith("CUTREEL") for name in environment)
    assert (
        done is not None and done.files[0][0].media_type == "image/png" and str(done.cost) == "0.02"
    )
    assert not Path(folder).exists(), "its folder is gone with it"


def test_pictures_to_follow_are_files_in_its_folder(tmp_path: Path) -> None:
    script = "import sys, shutil; assert len(sys.argv) == 4; shutil.copy(sys.argv[3], sys.argv[1])"
    names = ["a" * 64, "b" * 64]
    work = WORK.model_copy(update={"references": [PictureReference(sha256=n) for n in names]})
    data = {n: b"\x89PNG\r\n\x1a\n" + n.encode() for n in names}
    done = program(script, "{references}").do("sketcher", work, "k", files=data)
    assert done is not None and done.files[0][1] == data[names[1]]


@pytest.mark.parametrize(
    ("script", "says"),
    [
        ("import sys; print('out of paint'); sys.exit(3)", "failed with 3.*out of paint"),
        ("print('done')", "wrote no file"),
        ("import sys; open(sys.argv[1], 'w').write('sorry')", "text where a picture"),
        ("import sys, os; os.symlink('/etc/passwd', sys.argv[1])", "wrote no file"),
        ("x = bytearray(900_000_000)", "failed with 1.*MemoryError"),
        (
            "import sys; f = open(sys.argv[1], 'wb')\nwhile True: f.write(bytes(10_000_000))",
            "signal 25|File too large",
        ),
    ],
)
def test_one_that_misbehaves_says_why(script: str, says: str) -> None:
    with pytest.raises(ServiceRefused, match=says):
        program(script, megabytes=600).do("sketcher", WORK, "k")


def test_one_that_never_ends_is_ended_with_its_children(tmp_path: Path) -> None:
    script = f"""
import subprocess, sys, time
child = subprocess.Popen(["sleep", "300"])
open({str(tmp_path / "child")!r}, "w").write(str(child.pid))
print("40 %", flush=True)
time.sleep(300)
"""
    with pytest.raises(ServiceRefused, match=r"within 2 seconds.*40 %"):
        program(script, seconds=2).do("sketcher", WORK, "k")
    child = int((tmp_path / "child").read_text())
    time.sleep(0.2)
    assert not _runs(child)


def _runs(process: int) -> bool:
    """Whether a process runs (proc(5)); one that is dead and was not waited for does not."""
    try:
        return Path(f"/proc/{process}/stat").read_text().rsplit(")", 1)[1].split()[0] != "Z"
    except FileNotFoundError:
        return False


def test_it_is_given_up_and_says_how_far_it_is() -> None:
    script = (
        "import time\nfor i in range(60): print(f'{i * 10}% done', flush=True); time.sleep(0.2)"
    )
    shares: list[float] = []
    over = threading.Event()
    threading.Timer(2.0, over.set).start()
    began = time.monotonic()
    assert (
        program(script).do("sketcher", WORK, "k", progress=shares.append, cancelled=over.is_set)
        is None
    )
    assert time.monotonic() - began < 8 and any(0 < s < 1 for s in shares)


def test_a_sound_is_a_sound(tmp_path: Path) -> None:
    script = "import sys, wave\nw = wave.open(sys.argv[1], 'wb'); w.setnchannels(1); w.setsampwidth(2); w.setframerate(8000); w.writeframes(bytes(8000)); w.close()"
    maker = program(script, "{seconds}", ending="wav", kind="sound")
    done = maker.do("sketcher", SoundInput(prompt="wind", seconds=0.5), "k")
    assert done is not None and done.files[0][0].media_type == "audio/wav"


@pytest.mark.parametrize(
    ("command", "says"),
    [
        (["no-such-program-here", "{output}"], "no program"),
        (["cat", "{prompt}"], "no place {output}"),
        (["cat", "{output}", "{promt}"], "nothing for the place"),
    ],
)
def test_a_command_that_cannot_work_is_told(command: list[str], says: str) -> None:
    settings = {"command": command, "offer": {"kind": "picture"}, "ending": "png"}
    with pytest.raises(BadInput, match=says):
        check_program(Program.model_validate(settings))
