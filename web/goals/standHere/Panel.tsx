/** How one goes about it. */
export function StandHerePanel() {
  return (
    <p className="card p-3 text-sm">
      Stand inside, walk to the mark on the floor, and look as in the picture. The rule at the edge tells how high your eye is.
    </p>
  );
}
