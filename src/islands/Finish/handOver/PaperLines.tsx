/** What is on paper of a hand-over, as lines of a list. */
export function PaperLines({ commissionId }: { commissionId: string }) {
  const base = `/api/commissions/${commissionId}/finish`;
  return (
    <>
      <li>
        <a href={`${base}/sheet`}>Hand-over sheet (PDF)</a>
      </li>
      <li>
        <a href={`${base}/sheet?for=shelf`}>Paints and mixes, for your own shelf (PDF)</a>
      </li>
      <li>
        <a href={`${base}/packing`}>Packing list and labels (PDF)</a>
      </li>
    </>
  );
}
