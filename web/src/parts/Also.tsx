/** What else the same can be done to, in a line of words. */
export const Also = ({ says, onClick }: { says: string; onClick: () => void }) => (
  <button
    type="button"
    className="min-h-6 rounded-[3px] underline decoration-rule-strong underline-offset-2 hover:bg-shade"
    onClick={onClick}
  >
    {says}
  </button>
);
