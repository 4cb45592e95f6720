/** The hatching of what is not there: gaps, and what a dial closes off. */
export function Hatch() {
  return (
    <defs>
      <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--quiet)" strokeWidth="1.4" />
      </pattern>
    </defs>
  );
}
