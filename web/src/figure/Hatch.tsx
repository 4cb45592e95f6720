/** The hatching of what is not there, gaps and what a dial closes off, and of what hurts. */
export function Hatch() {
  return (
    <defs>
      <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--quiet)" strokeWidth="1.4" />
      </pattern>
      <pattern id="painful" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--brick)" strokeWidth="1.6" />
      </pattern>
    </defs>
  );
}
