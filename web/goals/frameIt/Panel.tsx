/** What the inner lines mean. */
export function FrameItPanel() {
  return <p className="card p-3 text-sm">Make the subject as large as the dashed inner lines allow, in their middle.</p>;
}
