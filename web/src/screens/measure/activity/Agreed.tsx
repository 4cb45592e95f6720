import styled from "styled-components";
import type { Agreement, Worked, WorkedChannel } from "../../../engine/types";

const Box = styled.div`
  display: grid;
  gap: 16px;
  h1 { font-size: 20px; line-height: 26px; }
  dl { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 5px 12px; margin: 6px 0 0; }
  dd { margin: 0; text-align: right; font-weight: 600; }
  ul { padding-left: 16px; display: grid; gap: 4px; color: var(--quiet); font-size: 12px; line-height: 16px; }
  ol { padding-left: 18px; display: grid; gap: 6px; }
`;

type Props = {
  channel: WorkedChannel | undefined;
  worked: Worked | null;
  agreement: Agreement | undefined;
  phase: "lifting" | "lowering";
  region: string;
  hasSetup: boolean;
};

/** What a channel says beside the model, and what to bear in mind. */
export function Agreed({ channel, worked, agreement, phase, region, hasSetup }: Props) {
  return (
    <Box>
      {channel && worked ? (
        <div>
          <h1>{headline(channel, agreement, region, hasSetup)}</h1>
          <Numbers channel={channel} worked={worked} agreement={agreement} phase={phase} />
        </div>
      ) : (
        <p className="quiet">What a channel says beside the model stands here.</p>
      )}
      {agreement && agreement.apart.length > 0 && <Behind agreement={agreement} />}
      <section>
        <h2>Bear in mind</h2>
        <ul>
          <li>Activity is not growth, and more of it is not more of that.</li>
          <li>Electrodes on the skin also hear the muscles beside and below.</li>
          <li>At the same drive, a muscle at another length gives another signal.</li>
          <li>More than 100% happens: the strongest contraction was not the strongest.</li>
          <li>This is one lifter on one day.</li>
        </ul>
      </section>
    </Box>
  );
}

function headline(c: WorkedChannel, a: Agreement | undefined, region: string, hasSetup: boolean): string {
  if (c.state === "out") return "Left out";
  if (!hasSetup) return "No setup to hold it against";
  if (!region) return "Choose the muscle under this channel";
  if (!a) return "Looking at the model";
  if (a.correlation.value == null && a.model.value == null) return "Nothing in common to compare";
  const first = a.apart[0];
  if (a.measured.value == null) {
    const r = a.correlation.value ?? 0;
    return r > 0.8
      ? "It runs as the model does"
      : r > 0.3
        ? "It runs roughly as the model does"
        : "It runs otherwise than the model";
  }
  if (!first) return "They agree over the range";
  const whole = a.apart.length === 1 && Math.abs(first.toDeg - first.fromDeg) > 0.85 * spanOf(a, c);
  const side = first.by > 0 ? "more" : "less";
  if (whole) return `${first.by > 0 ? "More" : "Less"} than expected throughout`;
  return `They part from ${Math.round(first.fromDeg)}° to ${Math.round(first.toDeg)}°: ${side} than expected`;
}

/** How much of the range both have, degrees: as many parts as have a value. */
const spanOf = (a: Agreement, c: WorkedChannel): number => {
  const both = a.expected.filter((e, i) => e != null && c.lifting.mean[i] != null).length;
  const first = a.apart[0];
  const step = first ? Math.abs(first.toDeg - first.fromDeg) / Math.max(1, both - 1) : 1;
  return step * (both - 1);
};

function Numbers({
  channel,
  worked,
  agreement,
  phase,
}: Pick<Props, "channel" | "agreement" | "phase"> & { worked: Worked }) {
  if (!channel) return null;
  const percent = channel.strongest.value != null;
  const unit = percent ? "%" : " µV";
  const used = channel[phase].reps;
  const shown = (x: number | null | undefined, digits = 0) => (x == null ? "–" : x.toFixed(digits));
  return (
    <>
      <dl>
        {agreement && (
          <>
            <dt>Correlation with the model</dt>
            <dd className="mono">{shown(agreement.correlation.value, 2)}</dd>
          </>
        )}
        <dt>Measured, mean of the lifting</dt>
        <dd className="mono">
          {shown(channel.mean.value)}
          {channel.mean.value == null ? "" : unit}
        </dd>
        {agreement?.model.value != null && (
          <>
            <dt>Model, mean</dt>
            <dd className="mono">{shown(agreement.model.value)}%</dd>
          </>
        )}
        <dt>Largest</dt>
        <dd className="mono">
          {shown(channel.peak.value)}
          {channel.peak.value == null ? "" : unit}
        </dd>
        <dt>Repetitions used</dt>
        <dd className="mono">
          {used} of {worked.reps.length}
        </dd>
        <dt>100% is</dt>
        <dd className="mono">
          {channel.strongest.value == null ? "not known" : `${shown(channel.strongest.value)} µV`}
        </dd>
      </dl>
      {channel.strongest.value == null && <small>{channel.strongest.why}</small>}
    </>
  );
}

/** What can be behind a difference, the likeliest first. */
function Behind({ agreement }: { agreement: Agreement }) {
  const more = (agreement.apart[0]?.by ?? 0) > 0;
  return (
    <section>
      <h2>What may be behind it</h2>
      <ol>
        {more && <li>The electrode hears a neighbour that works there.</li>}
        <li>
          {more ? "The muscle is shorter there" : "The muscle is longer there"}, so the same drive gives another signal.
        </li>
        <li>The skin slides over the muscle, and the electrode with it.</li>
        <li>The movement was not that of the setup: look at the angle, the load and the tempo.</li>
        {more ? (
          <li>The strongest contraction was not the strongest, so every percentage is too large.</li>
        ) : (
          <li>The load was lighter than in the setup, or others did more of the work.</li>
        )}
      </ol>
    </section>
  );
}
