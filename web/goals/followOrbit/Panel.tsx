/** What the marks of the line mean. */
export function FollowOrbitPanel() {
  return (
    <p className="card p-3 text-sm">The dot in the middle is where you look from. Bring the ring “start” under it, then go along the line to the square.</p>
  );
}
