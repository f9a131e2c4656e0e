/** What the desks of the Bench share: dragging, a box by keys, tools, where things lie. */
import { fireEvent, render, renderHook, screen, act } from "@testing-library/react";
import { Brush, Square } from "lucide-react";
import { useRef } from "react";
import { expect, test, vi } from "vitest";

import { Tools } from "./Tools";
import { laid, percent } from "./desk";
import { useDrag } from "./drag";
import { type Box, corners, useKeyBox } from "./keyBox";

function Stage({ onDrag }: { onDrag: (dx: number, dy: number, size: boolean) => void }) {
  const stage = useRef<HTMLDivElement>(null);
  const { whole, corner } = useDrag(stage, onDrag);
  return (
    <div ref={stage} data-testid="stage">
      <div data-testid="whole" {...whole}>
        <span data-testid="corner" {...corner} />
      </div>
    </div>
  );
}

function staged() {
  const onDrag = vi.fn();
  render(<Stage onDrag={onDrag} />);
  const stage = screen.getByTestId("stage");
  stage.getBoundingClientRect = () => ({ left: 0, top: 0, width: 200, height: 100 }) as DOMRect;
  for (const name of ["whole", "corner"]) screen.getByTestId(name).setPointerCapture = vi.fn();
  return onDrag;
}

test("a drag is told in shares of the stage, step by step, and ends with the pointer", () => {
  const onDrag = staged();
  const whole = screen.getByTestId("whole");
  fireEvent.pointerMove(whole, { clientX: 90, clientY: 90 });
  expect(onDrag).not.toHaveBeenCalled();
  fireEvent.pointerDown(whole, { clientX: 10, clientY: 10, pointerId: 1 });
  fireEvent.pointerMove(whole, { clientX: 30, clientY: 20 });
  fireEvent.pointerMove(whole, { clientX: 20, clientY: 40 });
  fireEvent.pointerUp(whole);
  fireEvent.pointerMove(whole, { clientX: 80, clientY: 80 });
  expect(onDrag.mock.calls).toEqual([
    [0.1, 0.1, false],
    [-0.05, 0.2, false],
  ]);
});

test("by its corner it is sized, and not moved as well", () => {
  const onDrag = staged();
  const corner = screen.getByTestId("corner");
  fireEvent.pointerDown(corner, { clientX: 100, clientY: 50, pointerId: 1 });
  fireEvent.pointerMove(corner, { clientX: 120, clientY: 50 });
  expect(onDrag.mock.calls.every(([, , size]) => size)).toBe(true);
  expect(onDrag.mock.calls[0]).toEqual([0.1, 0, true]);
});

const key = (name: string, shiftKey = false) =>
  ({
    key: name,
    shiftKey,
    preventDefault: vi.fn(),
    stopPropagation: vi.fn(),
  }) as unknown as React.KeyboardEvent;
const near = (box: Box | null, wanted: Box) =>
  box!.forEach((v, i) => expect(v).toBeCloseTo(wanted[i]!, 6));

test("a box begins in the middle, is moved, sized with Shift, and put down with Enter", () => {
  const put = vi.fn();
  const { result } = renderHook(() => useKeyBox(put));
  act(() => result.current.onKeyDown(key("Enter")));
  expect(put).not.toHaveBeenCalled();
  act(() => result.current.onKeyDown(key("ArrowRight")));
  near(result.current.box, [0.42, 0.4, 0.62, 0.6]);
  act(() => result.current.onKeyDown(key("ArrowUp", true)));
  near(result.current.box, [0.42, 0.4, 0.62, 0.58]);
  for (let i = 0; i < 40; i++) act(() => result.current.onKeyDown(key("ArrowUp", true)));
  near(result.current.box, [0.42, 0.4, 0.62, 0.42]);
  act(() => result.current.onKeyDown(key("Enter")));
  near(put.mock.calls[0]![0] as Box, [0.42, 0.4, 0.62, 0.42]);
  expect(result.current.box).toBeNull();
});

test("keys that are not its own are left to others", () => {
  const { result } = renderHook(() => useKeyBox(vi.fn()));
  const other = key("a");
  act(() => result.current.onKeyDown(other));
  expect(other.preventDefault).not.toHaveBeenCalled();
  expect(result.current.box).toBeNull();
});

test("a box has its corners in order whichever way it was drawn", () => {
  expect(corners([0.8, 0.2], [0.1, 0.9])).toEqual([0.1, 0.2, 0.8, 0.9]);
  expect(laid([0.1, 0.2, 0.6, 0.9])).toMatchObject({ left: "10%", top: "20%", width: "50%" });
  expect(percent(0.125)).toBe("12.5%");
});

test("one tool is in hand, and another is taken", () => {
  const take = vi.fn();
  render(
    <Tools
      tools={
        [
          ["line", "Brush", Brush],
          ["box", "Box", Square],
        ] as const
      }
      tool="line"
      onTool={take}
    />,
  );
  expect(screen.getByRole("radio", { name: "Brush" }).getAttribute("aria-checked")).toBe("true");
  fireEvent.click(screen.getByRole("radio", { name: "Box" }));
  expect(take).toHaveBeenCalledWith("box");
});
