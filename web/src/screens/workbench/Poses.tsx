import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { Problem, SetupDocument } from "../../engine/types";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { rove } from "../../ui/rove";
import { Select } from "../../ui/Select";
import type { Edits } from "./useDocument";

const Box = styled.div`
  display: grid;
  gap: 8px;
  padding: 6px 0;
  .strip { position: relative; height: 44px; margin: 0 12px; border-bottom: 1px solid var(--line); }
  .strip button {
    position: absolute;
    bottom: -13px;
    width: 26px;
    min-width: 0; /* they stand close together where poses do; arrow keys and the angles below reach each of them too */
    height: max(26px, var(--target));
    margin-left: -13px;
    border: 2px solid var(--slate);
    border-radius: 50%;
    background: var(--sheet);
    color: var(--ink);
    font-size: 11px;
    padding: 0;
    cursor: pointer;
  }
  .strip button[aria-checked="true"] { background: var(--slate); color: var(--sheet); }
  .strip button:focus-visible { outline: 2px solid var(--ink); outline-offset: 2px; }
  .strip + p { padding-top: 10px; color: var(--quiet); font-size: 12px; }
  .angles { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 8px; align-items: end; }
  .row { display: flex; flex-wrap: wrap; gap: 4px 14px; }
  [role="alert"] { color: var(--brick); }
`;

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

type Frame = NonNullable<SetupDocument["movement"]["keyframes"]>[number];

type Props = {
  core: Core;
  frames: Frame[];
  edits: Edits;
  problems: Problem[];
  /** Shows a place on the path in the picture. */
  show: (s: number) => void;
};

/** The poses of a path in a strip over the range: each can be shown, moved, turned, taken out, and others put between. */
export function Poses({ core, frames, edits, problems, show }: Props) {
  const [chosen, choose] = useState(0);
  const [refusal, setRefusal] = useState<string | null>(null);
  const list = useQuery({ queryKey: ["coordinates"], queryFn: () => core.coordinates().ok ?? [] });
  const at = Math.min(chosen, frames.length - 1);
  const frame = frames[at];
  if (!frame) return null;
  const last = at === frames.length - 1;
  const go = (i: number) => {
    const to = Math.max(0, Math.min(frames.length - 1, i));
    setRefusal(null);
    choose(to);
    show(frames[to]?.s ?? 0);
  };
  const change = (what: string, value: number) => setRefusal(edits.pose(at, what, value));
  const add = () => {
    const [from, to] = last ? [frames[at - 1]?.s ?? 0, frame.s] : [frame.s, frames[at + 1]?.s ?? 1];
    const s = Math.round(50 * (from + to)) / 100;
    const why = edits.pose(at, "add", s);
    setRefusal(why);
    if (why) return;
    choose(last ? at : at + 1);
    show(s);
  };
  const label = (key: string) => capital(list.data?.find((c) => `${c.key}Deg` === key)?.label ?? key);
  const others = (list.data ?? []).filter((c) => !(`${c.key}Deg` in frame.pose));
  const wrong = problems.find((p) => p.path.startsWith("movement.keyframes"));
  return (
    <Box>
      <div className="strip" role="radiogroup" aria-label="Poses of the path">
        {frames.map((f, i) => (
          // biome-ignore lint/a11y/useSemanticElements: it stands at its place on a line
          <button
            key={f.s}
            type="button"
            role="radio"
            aria-checked={i === at}
            aria-label={`Pose ${i + 1}, at ${Math.round(100 * f.s)}% of the path`}
            tabIndex={i === at ? 0 : -1}
            style={{ left: `${100 * f.s}%` }}
            onClick={() => go(i)}
            onKeyDown={rove(i, frames.length, go)}
          >
            {i + 1}
          </button>
        ))}
      </div>
      <p>
        Pose {at + 1} of {frames.length}: the path goes evenly from one to the next. Type angles, or drag the elbow or
        the hand in the picture.
      </p>
      <div className="angles">
        {Object.keys(frame.pose)
          .sort()
          .map((key) => (
            <QuantityEntry
              key={`${key}${at}`}
              label={label(key)}
              kind="angle"
              digits={1}
              value={frame.pose[key]}
              set={(v) => v !== undefined && change(key, v)}
            />
          ))}
        {at > 0 && !last && (
          <QuantityEntry
            key={`s${at}`}
            label="Place on the path"
            kind="share"
            digits={0}
            value={frame.s}
            set={(v) => v !== undefined && change("s", v)}
          />
        )}
      </div>
      {(refusal ?? wrong) && <p role="alert">{refusal ?? `${wrong?.what} ${wrong?.hint ?? ""}`}</p>}
      <div className="row">
        <Button look="link" onPress={add}>
          Add a pose
        </Button>
        {at > 0 && !last && (
          <Button
            look="link"
            onPress={() => {
              change("drop", 0);
              choose(at - 1);
            }}
          >
            Remove this pose
          </Button>
        )}
      </div>
      {others.length > 0 && (
        <Select
          label="Turn something else too"
          options={[
            { key: "none", label: "Nothing else" },
            ...others.map((c) => ({ key: `${c.key}Deg`, label: capital(c.label) })),
          ]}
          value="none"
          onChange={(key) => key !== "none" && change(key, 0)}
        />
      )}
    </Box>
  );
}
