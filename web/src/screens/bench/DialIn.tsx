import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import { search } from "../../engine/search";
import type { Answer, Found, Search, Setting, SetupDocument } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Segments } from "../../ui/Choice";
import { Mark } from "../../ui/Mark";
import { Modal } from "../../ui/Modal";
import { Tick } from "../../ui/Tick";
import { MapOfTwo } from "./MapOfTwo";
import { type Weights, WhatCounts } from "./WhatCounts";
import { written } from "./written";

const Body = styled.div`
  &:not([hidden]) { display: grid; }
  gap: 12px;
  .free { display: grid; grid-template-columns: repeat(auto-fill, minmax(190px, 1fr)); gap: 0 16px; }
  .row { display: flex; gap: 16px; align-items: end; flex-wrap: wrap; }
  .bar { height: 8px; border-radius: 4px; background: var(--line); overflow: hidden; flex: 1; min-width: 160px; }
  .bar i { display: block; height: 100%; background: var(--slate); }
  ol { list-style: none; padding: 0; margin: 0; display: grid; gap: 10px; }
  li.answer { display: grid; grid-template-columns: auto minmax(0, 1fr) auto; gap: 12px; border-top: 1px solid var(--line); padding-top: 10px; align-items: start; }
  .answer ul { padding-left: 16px; margin: 4px 0; }
  .touchy { display: flex; gap: 6px; color: var(--ochre); }
  .gain { color: var(--quiet); }
  p.quiet { color: var(--quiet); }
  @media (max-width: 600px) { li.answer { grid-template-columns: minmax(0, 1fr) auto; } .picture { display: none; } }
`;

const ways = [
  { key: "search", label: "Search" },
  { key: "map", label: "Map" },
];

type Props = {
  core: Core;
  text: string;
  settings: Setting[];
  take: (document: SetupDocument) => void;
  close: () => void;
};

/** Finds settings that fit better: what may be turned, the search, and its answers with what each change brought. */
export function DialIn({ core, text, settings, take, close }: Props) {
  const dials = settings.filter((s) => s.paint === "match");
  const [free, setFree] = useState(() => dials.filter((s) => s.usual).map((s) => s.key));
  const [way, setWay] = useState("search");
  const [weights, setWeights] = useState<Weights>({});
  const [share, setShare] = useState<number | null>(null);
  const [answer, setAnswer] = useState<Answer<Search> | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const run = () => {
    setAnswer(null);
    setShare(0);
    stop.current = search(text, { free, ...weights, seed: 1 }, setShare, (found) => {
      setShare(null);
      setAnswer(found);
    });
  };
  const cancel = () => {
    stop.current?.();
    setShare(null);
  };
  const tick = (key: string, on: boolean) => setFree(on ? [...free, key] : free.filter((k) => k !== key));
  return (
    <Modal title="Dial in" open onClose={close} wide>
      <Segments label="Way" options={ways} value={way} onChange={setWay} />
      {way === "map" && (
        <MapOfTwo
          core={core}
          text={text}
          dials={dials}
          label={(s) => label(s, dials)}
          take={(d) => {
            take(d);
            close();
          }}
        />
      )}
      <Body hidden={way !== "search"}>
        <section aria-label="May change">
          <p className="quiet">
            Tick what may change; everything else stays, the load too. A locked dial starts unticked.
          </p>
          <div className="free">
            {dials.map((s) => (
              <Tick key={s.key} label={label(s, dials)} on={free.includes(s.key)} set={(on) => tick(s.key, on)} />
            ))}
          </div>
        </section>
        <WhatCounts weights={weights} set={setWeights} />
        <div className="row">
          {share === null ? (
            <Button look="strong" onPress={run} isDisabled={free.length === 0}>
              Find better settings
            </Button>
          ) : (
            <>
              <div className="bar" role="progressbar" aria-label="Search" aria-valuenow={Math.round(100 * share)}>
                <i style={{ width: `${100 * share}%` }} />
              </div>
              <Button onPress={cancel}>Stop</Button>
            </>
          )}
        </div>
        {answer?.problems?.map((p) => (
          <p key={p.path + p.what} role="alert">
            <Mark tone="stop" /> {p.what} {p.hint}
          </p>
        ))}
        {answer?.ok && (
          <Answers
            found={answer.ok}
            take={(d) => {
              take(d);
              close();
            }}
          />
        )}
      </Body>
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Close
        </Button>
      </div>
    </Modal>
  );
}

/** A dial's label, with its load where there are several of the kind. */
function label(s: Setting, all: Setting[]): string {
  const twins = all.filter((x) => x.label === s.label);
  return twins.length > 1 ? `${s.label}, ${Number(s.key.split("/")[1] ?? 0) + 1}` : s.label;
}

function Answers({ found, take }: { found: Search; take: (d: SetupDocument) => void }) {
  const units = useUnits();
  const before = found.before ? `now ${fit(found.before)}` : "cannot be evaluated as it stands";
  return (
    <section aria-label="Answers">
      {found.why && <p role="status">{found.why}</p>}
      <ol>
        {found.answers.map((a, i) => (
          <li className="answer" key={JSON.stringify(a.changes)}>
            <span className="picture">
              <SetupPicture document={a.document} width={120} height={90} line />
            </span>
            <div>
              <b>{capital(fit(a))}</b> <span className="gain">{before}</span>
              <ul>
                {a.changes.map((c) => (
                  <li key={c.key}>
                    {c.label} {written(c.to, c.kind, units)}{" "}
                    <span className="gain">
                      instead of {written(c.from, c.kind, units)}: {c.gain < 0 ? "−" : "+"}
                      {Math.abs(c.gain).toFixed(0)}
                    </span>
                  </li>
                ))}
              </ul>
              {a.touchy && (
                <span className="touchy">
                  <Mark tone="caution" /> Touchy: one step off costs {a.drop.toFixed(0)} points.
                </span>
              )}
              {a.effort > 0 && (
                <p className="quiet">At most {Math.round(100 * a.effort)} % of strength, with the load as it is.</p>
              )}
            </div>
            <Button aria-label={`Use this: answer ${i + 1}`} onPress={() => take(a.document)}>
              Use this
            </Button>
          </li>
        ))}
      </ol>
      <p className="quiet">{found.looked} setups were looked at.</p>
    </section>
  );
}

/** How well it fits, and how much of the torque goes beside the path. */
const fit = (f: Found) => `fit ${Math.round(f.match)} of 100, ${Math.round(100 * f.offAxis)}% out of plane`;

const capital = (text: string) => `${text[0]?.toUpperCase()}${text.slice(1)}`;
