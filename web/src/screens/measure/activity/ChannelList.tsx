import styled from "styled-components";
import type { Worked, WorkedChannel } from "../../../engine/types";
import { Button } from "../../../ui/Button";
import { Select } from "../../../ui/Select";
import { StatusIcon } from "../../../ui/StatusIcon";

const List = styled.ul`
  list-style: none;
  padding: 0;
  margin: 0;
  li { border-top: 1px solid var(--line); padding: 8px 6px; display: grid; gap: 5px; }
  li[data-open="true"] { background: var(--paper); box-shadow: inset 3px 0 0 var(--plum); }
  .line { display: grid; grid-template-columns: 18px minmax(0, 1fr) auto; gap: 8px; align-items: center; }
  .line button.name {
    border: 0;
    background: none;
    padding: 0;
    font-weight: 600;
    text-align: left;
    cursor: pointer;
    min-height: var(--target);
  }
  .state { color: var(--quiet); font-size: 12px; }
  p { font-size: 12px; line-height: 16px; color: var(--quiet); padding-left: 26px; }
  .more { padding-left: 26px; display: grid; gap: 6px; justify-items: start; }
  .more > * { width: 100%; }
`;

const states: Record<WorkedChannel["state"], { tone: "ok" | "caution" | "warning" | "error"; word: string }> = {
  good: { tone: "ok", word: "good" },
  usable: { tone: "caution", word: "usable" },
  partly: { tone: "warning", word: "partly" },
  out: { tone: "error", word: "left out" },
};

type Props = {
  worked: Worked;
  picked: number | null;
  pick: (place: number) => void;
  regions: { key: string; label: string }[];
  regionOf: (label: string) => string;
  setRegion: (label: string, region: string) => void;
  without: number[];
  setWithout: (places: number[]) => void;
};

/** The channels with what is wrong with each; the open one says which muscle it is of. */
export function ChannelList({ worked, picked, pick, regions, regionOf, setRegion, without, setWithout }: Props) {
  return (
    <div>
      <h2>Channels</h2>
      <small>
        {worked.reps.length === 0
          ? worked.why
          : `${worked.reps.length} repetitions from ${Math.round(worked.fromDeg)}° to ${Math.round(worked.toDeg)}°. ${
              worked.trials === 0
                ? "No strongest contraction yet, so no percentages."
                : worked.trials === 1
                  ? "One strongest contraction; two are better."
                  : ""
            }`}
      </small>
      <List aria-label="Channels">
        {worked.channels.map((c) => {
          const { tone, word } = states[c.state];
          const region = regions.find((r) => r.key === regionOf(c.label));
          const byHand = without.includes(c.place);
          return (
            <li key={c.place} data-open={c.place === picked}>
              <div className="line">
                <StatusIcon tone={tone} />
                <button type="button" className="name" aria-pressed={c.place === picked} onClick={() => pick(c.place)}>
                  {region ? region.label : c.label}
                </button>
                <span className="state">{byHand ? "left out by hand" : word}</span>
              </div>
              {c.findings.map((f) => (
                <p key={f.key + f.from}>{f.text}</p>
              ))}
              {c.place === picked && (
                <div className="more">
                  <Select
                    label={`Muscle under ${c.label}`}
                    options={[{ key: "", label: "Not chosen" }, ...regions]}
                    value={regionOf(c.label)}
                    onChange={(key) => setRegion(c.label, String(key))}
                  />
                  <Button
                    look="link"
                    onPress={() => setWithout(byHand ? without.filter((p) => p !== c.place) : [...without, c.place])}
                  >
                    {byHand ? "Take it in again" : "Leave this channel out"}
                  </Button>
                </div>
              )}
            </li>
          );
        })}
      </List>
    </div>
  );
}
