export const drawnMachine = { width: 1200, height: 900, camera: 3, rod: 1, arm: 0.11 };

const perMetre = 620;
const axis = { x: 520, y: 380 };
const radius = drawnMachine.arm * perMetre;
const lean = (40 * Math.PI) / 180; // of the machine's arm, from hanging
const pad = { x: axis.x + 0.36 * perMetre * Math.sin(lean), y: axis.y + 0.36 * perMetre * Math.cos(lean) };
const floor = 800;

/** Stickers where there is something to mark. */
const stickers = [
  ["axis", axis.x, axis.y],
  ["arm", pad.x, pad.y],
  ["ropeA", axis.x - radius, axis.y + 60],
  ["ropeB", axis.x - radius, floor - 70],
] as const;

/** A machine with a round cam and a rod of a metre beside it; a test picture, of which the moment arm is known. */
export function DrawnMachine() {
  const { width, height } = drawnMachine;
  const foot = { x: 960, y: floor };
  const part = perMetre / 10;
  return (
    <>
      <rect width={width} height={height} fill="var(--vest)" />
      <rect y={floor} width={width} height={height - floor} fill="var(--shorts)" />
      <rect x={axis.x - 34} y={axis.y} width={68} height={floor - axis.y} fill="var(--shoe)" />
      <line x1={axis.x - radius} y1={axis.y} x2={axis.x - radius} y2={floor - 40} stroke="#20262b" strokeWidth={6} />
      <rect x={axis.x - radius - 60} y={floor - 40} width={120} height={40} fill="#20262b" />
      <circle cx={axis.x} cy={axis.y} r={radius} fill="var(--shorts)" stroke="#20262b" strokeWidth={3} />
      <line x1={axis.x} y1={axis.y} x2={pad.x} y2={pad.y} stroke="#20262b" strokeWidth={18} strokeLinecap="round" />
      <circle cx={pad.x} cy={pad.y} r={34} fill="var(--hair)" />
      {stickers.map(([key, x, y]) => (
        <circle key={key} data-joint={key} cx={x} cy={y} r={7} fill="#f4f1ea" stroke="#20262b" strokeWidth={2} />
      ))}
      {Array.from({ length: 10 }, (_, i) => (
        <rect
          key={i}
          data-rod={i === 0 ? "foot" : i === 9 ? "top" : undefined}
          x={foot.x - 8}
          y={foot.y - (i + 1) * part}
          width={16}
          height={part}
          fill={i % 2 ? "#f4f1ea" : "#20262b"}
        />
      ))}
    </>
  );
}
