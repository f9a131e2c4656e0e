/** What a run asks: whether somebody else may make what the first can't. */
import type { ComponentType, ReactNode } from "react";

import type { Film, Run } from "../api/client";
import { useAnswer } from "../api/film";
import { Button } from "./Button";

interface AnswerProps {
  onAnswer: () => void;
  children: ReactNode;
}

const Plain = ({ onAnswer, children }: AnswerProps) => (
  <Button onClick={onAnswer}>{children}</Button>
);

/** `Answer` is what an answer is given with: a button, or what a menu has instead. */
export function RunQuestions({
  film,
  run,
  Answer = Plain,
}: {
  film: Film;
  run: Run;
  Answer?: ComponentType<AnswerProps>;
}) {
  const answer = useAnswer(film.id);
  return run.questions.map((asked) => (
    <div key={asked.kind} role="group" aria-label="A question" className="my-2">
      <p className="mb-1.5 whitespace-normal text-[12.5px]">
        {asked.why} Is “{asked.then}” to make it?
      </p>
      <div className="flex gap-2">
        <Answer onAnswer={() => answer.mutate({ run: run.id, kind: asked.kind, second: true })}>
          Let “{asked.then}” make it
        </Answer>
        <Answer onAnswer={() => answer.mutate({ run: run.id, kind: asked.kind, second: false })}>
          No, leave it
        </Answer>
      </div>
    </div>
  ));
}
