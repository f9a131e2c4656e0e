import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";

import { type Film, api } from "../../api/client";
import { Another } from "./Another";

afterEach(() => {
  vi.restoreAllMocks();
});

const text = "Tom met Ben. He laughed.";
const film = {
  id: "f",
  revision: 3,
  text,
  words: [
    [0, 3],
    [4, 7],
    [8, 12],
    [13, 15],
    [16, 24],
  ],
  cast: [
    { id: 1, name: "Tom" },
    { id: 2, name: "Ben" },
  ],
} as unknown as Film;
const reader = {
  name: "reader",
  kind: "reading",
  title: "Plain reader",
  price: { amount: "0.001", per: "character" },
};
const otherwise = [{ word: 4, first: 3, end: 4, ours: [1], theirs: [2], why: "the last" }];

function shown(offers: unknown[]) {
  vi.spyOn(api, "GET").mockResolvedValue({ data: offers, response: new Response() } as never);
  const post = vi.spyOn(api, "POST").mockImplementation((async (path: string) => ({
    data: path.endsWith("/reading") ? { title: "Plain reader", cost: 0.02, otherwise } : {},
    response: new Response(),
  })) as never);
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(
    <QueryClientProvider client={client}>
      <Another film={film} onWord={() => undefined} />
    </QueryClientProvider>,
  );
  return post;
}

test("its price is said before it is asked, and what it reads otherwise is taken word by word", async () => {
  const post = shown([reader]);
  const ask = await screen.findByRole("button", { name: "Ask it, about 0.024" });
  expect(post).not.toHaveBeenCalled();
  fireEvent.click(ask);
  const take = await screen.findByRole("button", { name: "Take Ben for “He”" });
  expect(screen.getByText(/reads one word otherwise/)).toBeTruthy();
  fireEvent.click(take);
  await waitFor(() => expect(screen.queryByRole("button", { name: /^Take/ })).toBeNull());
  const sent: unknown = post.mock.calls;
  expect(JSON.stringify(sent)).toContain('"take meant","meant":[{"word":4,"people":[2]}]');
});

test("where nobody offers to read, nothing is shown", async () => {
  shown([{ ...reader, kind: "script" }]);
  await waitFor(() => expect(api.GET).toHaveBeenCalled());
  expect(screen.queryByRole("region", { name: "Read by another" })).toBeNull();
});
