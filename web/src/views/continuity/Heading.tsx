/** A heading of a sheet: what it is, and a quiet word beside it. */
export const Heading = ({ title, beside }: { title: string; beside?: React.ReactNode }) => (
  <div className="mb-1 flex items-baseline justify-between gap-3 border-b border-rule-strong pb-1">
    <h3 className="font-semibold">{title}</h3>
    {beside !== undefined && <span className="text-right text-ink-2">{beside}</span>}
  </div>
);
