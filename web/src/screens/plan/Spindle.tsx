/** A muscle over its own length, from long to short, as thick as the sets that each third of it gets. */
export function Spindle({
  thirds,
  most,
  width,
  height,
}: {
  thirds: number[];
  most: number;
  width: number;
  height: number;
}) {
  const piece = width / 3;
  const half = (sets: number) => Math.max(sets > 0 ? 1 : 0, (sets / Math.max(most, 1e-9)) * (height / 2));
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {thirds.map((sets, i) => {
        const [x, h] = [i * piece, half(sets)];
        const before = i > 0 ? (half(thirds[i - 1] ?? 0) + h) / 2 : h;
        const after = i < 2 ? (half(thirds[i + 1] ?? 0) + h) / 2 : h;
        const mid = height / 2;
        return sets <= 0 ? (
          <line key={i} x1={x + 2} x2={x + piece - 2} y1={mid} y2={mid} stroke="var(--plum)" strokeDasharray="3 3" />
        ) : (
          <path
            key={i}
            d={`M${x} ${mid - before}L${x + piece / 2} ${mid - h}L${x + piece - 1.5} ${mid - after}V${mid + after}L${x + piece / 2} ${mid + h}L${x} ${mid + before}Z`}
            fill="var(--plum)"
          />
        );
      })}
    </svg>
  );
}
