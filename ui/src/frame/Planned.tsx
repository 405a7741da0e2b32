const PLANS: Record<string, [string, string]> = {
  estimate: [
    'Estimate',
    'Here design loads and an hourly year will tell whether the translation is sane, and variants will be compared with the baseline.',
  ],
};

/** A workspace that is not built yet says what it will hold. */
export function Planned({ workspace }: { workspace: string }) {
  const [title, text] = PLANS[workspace];
  return (
    <section className="px-4 py-3" data-testid="planned">
      <h2 className="text-title font-semibold">{title} is not built yet</h2>
      <p className="max-w-[72ch]">{text}</p>
      <p className="mt-1 text-muted">
        Selection, cut and visibility stay as they are; go on in Envelope or Findings.
      </p>
    </section>
  );
}
