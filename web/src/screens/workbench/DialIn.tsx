import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import { search } from "../../engine/search";
import type { Aim, Answer, Found, Search, Setting, SetupDocument } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { partsOf, signed } from "../../state/scoring";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { inSentence } from "../../ui/inSentence";
import { Modal } from "../../ui/Modal";
import { Segments, Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { Tick } from "../../ui/Tick";
import { written } from "../../ui/written";
import { Aims } from "./Aims";
import { Front } from "./Front";
import { MapOfTwo } from "./MapOfTwo";
import { Scoring } from "./Scoring";

const Body = styled.div`
  &:not([hidden]) { display: grid; }
  gap: 12px;
  .free { display: grid; grid-template-columns: repeat(auto-fill, minmax(190px, 1fr)); gap: 0 16px; }
  .row { display: flex; gap: 16px; align-items: end; flex-wrap: wrap; }
  .bar { height: 8px; border-radius: 4px; background: var(--line); overflow: hidden; flex: 1; min-width: 160px; }
  .bar i { display: block; height: 100%; background: var(--slate); }
  ol { list-style: none; padding: 0; margin: 0; display: grid; gap: 10px; }
  li.answer {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 12px;
    border-top: 1px solid var(--line);
    padding-top: 10px;
    align-items: start;
  }
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
  document: SetupDocument;
  settings: Setting[];
  take: (document: SetupDocument) => void;
  score: (scoring: SetupDocument["scoring"]) => void;
  close: () => void;
};

const fewest = [
  { key: "0", label: "Any number" },
  { key: "1", label: "At most 1" },
  { key: "2", label: "At most 2" },
  { key: "3", label: "At most 3" },
];

/** Finds settings that score better: what may be turned, the search, and its answers with what each change brought. */
export function DialIn({ core, text, document, settings, take, score, close }: Props) {
  const dials = settings.filter((s) => s.paint === "match");
  const [free, setFree] = useState(() => dials.filter((s) => s.usual).map((s) => s.key));
  const [way, setWay] = useState("search");
  const [aims, setAims] = useState<Aim[]>([]);
  const [most, setMost] = useState("0");
  const [share, setShare] = useState<number | null>(null);
  const [answer, setAnswer] = useState<Answer<Search> | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const run = () => {
    setAnswer(null);
    setShare(0);
    stop.current = search(text, { free, aims, mostChanges: Number(most), seed: 1 }, setShare, (found) => {
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
        <Scoring scoring={document.scoring} set={score} />
        <Aims aims={aims} set={setAims} />
        <div className="row">
          <Select label="Settings to change" options={fewest} value={most} onChange={setMost} />
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
            <StatusIcon tone="error" /> {p.what} {p.hint}
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

const titles: Record<string, string> = {
  best: "Best score",
  bestFit: "Best fit",
  bestTarget: "Most from the target",
  robust: "Most robust",
  oneChange: "One change",
  twoChanges: "Two changes",
};

function Answers({ found, take }: { found: Search; take: (d: SetupDocument) => void }) {
  const units = useUnits();
  const { before } = found;
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
              <b>{named(a)}</b>{" "}
              <span data-score={a.score}>
                {Math.round(a.score)}, {before ? `was ${Math.round(before.score)}: ` : "not usable before: "}
                {partsOf(a.points, before?.points ?? null)}
              </span>
              <ul>
                {a.changes.map((c) => (
                  <li key={c.key}>
                    {c.label} {written(c.to, c.kind, units)}{" "}
                    <span className="gain">
                      instead of {written(c.from, c.kind, units)}: {signed(c.gain)}
                    </span>
                  </li>
                ))}
              </ul>
              <p className="quiet">{robustness(a)}</p>
              {a.effort > 0 && (
                <p className="quiet">Peak effort {Math.round(100 * a.effort)} % with the load as it is.</p>
              )}
            </div>
            <Button aria-label={`Use this: answer ${i + 1}`} onPress={() => take(a.document)}>
              Use this
            </Button>
          </li>
        ))}
      </ol>
      <Front front={found.front} before={before} take={take} />
      <p className="quiet">{found.looked} setups were tried.</p>
    </section>
  );
}

function named(a: Found): string {
  const known = a.titles.flatMap((t) => titles[t] ?? []);
  return known.map((t, i) => (i === 0 ? t : inSentence(t))).join(", ") || "Another way";
}

/** What a step off, and an arm that was measured wrong, would cost. */
function robustness(a: Found): string {
  const step =
    a.drop < 0.5
      ? "One step off any setting costs nothing"
      : a.drop > a.score - 0.01
        ? `Sensitive: with one step off ${inSentence(a.dropOf)} it cannot be used`
        : `${a.sensitive ? "Sensitive: one" : "One"} step off ${inSentence(a.dropOf)} costs ${a.drop.toFixed(0)}`;
  const tape =
    a.tape < 0.5
      ? "2 cm off on the arm's length costs nothing"
      : `2 cm off on the arm's length costs ${a.tape.toFixed(0)}`;
  return `${step}; ${tape}.`;
}
