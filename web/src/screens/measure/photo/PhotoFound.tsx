import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { Lifter, PhotoFit, PhotoLength, Problem, StoredLifter, StoredSetup } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { EffortChanges } from "../EffortChanges";
import { saveLifter } from "../saveLifter";
import { CamAngles } from "./CamAngles";
import type { What } from "./points";

const Box = styled.div`
  display: grid;
  gap: 16px;
  h1 { font-size: 20px; line-height: 26px; }
  table { width: 100%; border-collapse: collapse; }
  th { text-align: right; color: var(--quiet); font-size: 12px; font-weight: 400; padding: 2px 0 2px 8px; }
  td { text-align: right; padding: 6px 0 6px 8px; border-top: 1px solid var(--line); }
  th:first-child, td:first-child { text-align: left; padding-left: 0; }
  td.now { font-weight: 600; }
  dl { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 4px 12px; margin: 4px 0; }
  dd { margin: 0; text-align: right; }
`;

type Props = {
  core: Core;
  lifter: StoredLifter;
  setups: StoredSetup[];
  what: What;
  fit: PhotoFit | undefined;
  problems: Problem[];
  /** Whether the picture is the drawn one, whose truth is the lifter's own measures. */
  drawn: boolean;
};

/** Lengths and angles with how far they could be off, what they change, and taking them over. */
export function PhotoFound({ core, lifter, setups, what, fit, problems, drawn }: Props) {
  const units = useUnits();
  const cache = useQueryClient();
  const [saving, setSaving] = useState(false);
  const lengths = fit?.lengths ?? [];
  const angles = fit?.angles ?? [];
  const first = lifter.name.split(" ")[0] ?? lifter.name;
  const after = withLengths(lifter.body, lengths);
  const usual = core.lengths().ok ?? [];
  const onFile = (key: string): number =>
    lifter.body.lengths?.[key] ?? (usual.find((l) => l.key === key)?.fraction ?? 0) * lifter.body.height;
  const save = async () => {
    setSaving(true);
    await saveLifter(cache, lifter, after, `${first}'s lengths are as on the picture.`);
    setSaving(false);
  };
  const off = (l: { off: { value: number | null } }, kind: string) =>
    l.off.value == null ? "" : ` ± ${units.number(l.off.value, kind, 1)}`;
  return (
    <Box>
      {problems.map((p) => (
        <p key={p.path + p.what} className="bad" role="alert">
          {p.what} {p.hint}
        </p>
      ))}
      {fit && <Square fit={fit} />}
      {what === "cam" ? (
        <CamAngles cam={fit?.cam} drawn={drawn} />
      ) : (
        <>
          {lengths.length > 0 && (
            <section>
              <h2>Lengths</h2>
              <table>
                <thead>
                  <tr>
                    <th scope="col">length</th>
                    <th scope="col">on file</th>
                    <th scope="col">picture</th>
                  </tr>
                </thead>
                <tbody>
                  {lengths.map((l) => (
                    <tr key={l.key}>
                      <td>{l.label}</td>
                      <td className="mono">{units.text(onFile(l.key), "length", 1)}</td>
                      <td className="mono now">
                        {units.text(l.length, "length", 1)}
                        {off(l, "length")}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {drawn && (
                <small>The figure is drawn with the lengths on file: that is how far this picture is off.</small>
              )}
            </section>
          )}
          {lengths[0] && <WhereFrom l={lengths[0]} />}
          {angles.length > 0 && (
            <section>
              <h2>Angles in the picture</h2>
              <dl>
                {angles.map((a) => [
                  <dt key={a.key}>{a.label}</dt>,
                  <dd key={`${a.key} value`} className="mono">
                    {a.deg.toFixed(0)}° ± {Math.max(1, a.off).toFixed(0)}
                  </dd>,
                ])}
              </dl>
              <small>Only what lies in the plane of the picture is seen as it is.</small>
            </section>
          )}
          {lengths.length > 0 && (
            <>
              <EffortChanges core={core} setups={setups} before={lifter.body} after={after} what="peak" />
              <Button look="strong" isDisabled={saving || drawn} onPress={() => void save()}>
                Update {first}'s lengths
              </Button>
              {drawn && <small>A drawn picture changes nothing.</small>}
            </>
          )}
        </>
      )}
      {!fit && problems.length === 0 && <p className="quiet">Lengths and angles stand here once they are marked.</p>}
    </Box>
  );
}

/** The lifter with the lengths of a picture, to the millimetre. */
function withLengths(body: Lifter, lengths: PhotoLength[]): Lifter {
  const found = Object.fromEntries(lengths.map((l) => [l.key, Math.round(1000 * l.length) / 1000]));
  return { ...body, lengths: { ...body.lengths, ...found } };
}

/** Whether the camera stood straight, and what nearness was taken out. */
function Square({ fit }: { fit: PhotoFit }) {
  const tilt = Math.abs(fit.tiltDeg);
  const larger = Math.round(100 * fit.larger);
  return (
    <p className="quiet">
      {tilt < 2 ? `Upright: the known length stands within ${tilt.toFixed(0)}° of the picture's edge.` : ""}
      {tilt >= 2 ? `The known length leans by ${tilt.toFixed(0)}°; that is taken out.` : ""}
      {larger !== 0 &&
        ` What is measured looks ${Math.abs(larger)}% ${larger > 0 ? "larger" : "smaller"} for its distance; that is taken out.`}
    </p>
  );
}

/** What the spread of a length is made of. */
function WhereFrom({ l }: { l: PhotoLength }) {
  const units = useUnits();
  const text = (m: number) => units.text(m, "length", 1);
  return (
    <section>
      <h2>
        {l.off.value == null
          ? `How sure the ${l.label.toLowerCase()} is`
          : `Where the ± ${text(l.off.value)} comes from`}
      </h2>
      <dl>
        <dt>Placing the points</dt>
        <dd className="mono">{text(l.points)}</dd>
        <dt>The known length</dt>
        <dd className="mono">{text(l.rod)}</dd>
        <dt>How much nearer it is, ± {units.text(0.05, "length")}</dt>
        <dd className="mono">{l.depth.value == null ? "–" : text(l.depth.value)}</dd>
      </dl>
      {l.depth.value == null ? <small>{l.depth.why}</small> : <small>From farther away the last one falls.</small>}
    </section>
  );
}
