import { useQuery } from "@tanstack/react-query";
import { ArrowLeftToLine, UserPlus, X } from "lucide-react";
import { Link } from "react-router";
import styled from "styled-components";
import { asked, Refused } from "../../api/client";
import { strokes } from "../../chart/OverlayChart";
import type { Equalised, Kept, Member, Problem, Report, StoredSetup } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { letter, mostCompared, mostDrawn } from "../../state/picked";
import { type Units, useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Menu } from "../../ui/Menu";
import { StatusIcon } from "../../ui/StatusIcon";
import { names } from "../workbench/Verdicts";
import type { Compared } from "./useCompared";

const Row = styled.ol`
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(148px, 1fr));
  gap: 10px;
  > li {
    display: grid;
    grid-template-rows: auto auto 1fr auto;
    gap: 4px;
    padding: 8px;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: 8px;
    min-width: 0;
  }
  header { display: flex; align-items: center; gap: 6px; }
  header b { font-size: 15px; }
  header > svg { flex: 1; min-width: 20px; }
  header button { min-height: var(--target); padding: 2px 5px; }
  .name { font-weight: 600; overflow-wrap: anywhere; }
  small { display: block; color: var(--quiet); font-size: 12px; line-height: 16px; }
  .told { display: flex; gap: 4px; align-items: start; }
  .told svg { width: 14px; height: 15px; }
  @media print { header button { display: none; } }
`;

type Props = { kept: Kept; compared: Compared | undefined; change: (kept: Kept) => void };

/** The setups of a comparison in their order, each with its letter, its curve's look and what it needs for equal loads. */
export function Cards({ kept, compared, change }: Props) {
  const put = (setups: Member[]) => change({ ...kept, setups });
  const lifters = useQuery({
    ...asked("get", "/api/lifters", { params: { query: { limit: 50 } } }),
    enabled: kept.setups.length > 0,
  });
  const others = (lifters.data?.items ?? []).map((l) => ({ name: l.name, body: l.body }));
  return (
    <Row aria-label="Setups that are compared">
      {kept.setups.map((m, i) => (
        <Card
          key={`${letter(i)}${m.document.name}`}
          member={m}
          index={i}
          report={compared?.reports[i] ?? null}
          problems={compared?.problems[i] ?? []}
          equal={compared?.of.equal ? (compared.equalised?.[i] ?? null) : null}
          others={kept.setups.length < mostCompared ? others : []}
          another={(lifter) =>
            put([
              ...kept.setups,
              {
                document: {
                  ...m.document,
                  name: `${m.document.name}, ${lifter.name}`.slice(0, 200),
                  lifter: lifter.body,
                },
              },
            ])
          }
          first={() => put([m, ...kept.setups.filter((_, k) => k !== i)])}
          remove={() => put(kept.setups.filter((_, k) => k !== i))}
          renew={(document) => put(kept.setups.map((x, k) => (k === i ? { ...x, document } : x)))}
        />
      ))}
    </Row>
  );
}

/** A lifter for whom a setup can be compared too. */
type Other = { name: string; body: StoredSetup["document"]["lifter"] };

type CardProps = {
  member: Member;
  index: number;
  report: Report | null;
  problems: Problem[];
  equal: Equalised | null;
  others: Other[];
  another: (lifter: Other) => void;
  first: () => void;
  remove: () => void;
  renew: (document: StoredSetup["document"]) => void;
};

function Card({ member, index, report, problems, equal, others, another, first, remove, renew }: CardProps) {
  const units = useUnits();
  const { document: d, setupId } = member;
  const called = letter(index);
  return (
    <li data-card={called}>
      <header>
        <b>{called}</b>
        <svg width="20" height="8" aria-hidden>
          {index < mostDrawn && (
            <line x1="0" x2="100%" y1="4" y2="4" strokeWidth="2.4" {...strokes[index % strokes.length]} />
          )}
        </svg>
        {index > 0 && (
          <Button look="quiet" aria-label={`Make ${called} the first`} onPress={first}>
            <ArrowLeftToLine size={14} aria-hidden />
          </Button>
        )}
        {others.length > 0 && (
          <Menu
            label={`${called} for another lifter`}
            actions={others.map((l) => ({ label: l.name, run: () => another(l) }))}
          >
            <UserPlus size={14} aria-hidden />
          </Menu>
        )}
        <Button look="quiet" aria-label={`Remove ${called}`} onPress={remove}>
          <X size={14} aria-hidden />
        </Button>
      </header>
      <SetupPicture document={d} width={130} height={92} />
      <div>
        <span className="name">{setupId ? <Link to={`/bench/${setupId}`}>{d.name}</Link> : d.name}</span>
        {equal && <EqualWords equal={equal} first={index === 0} units={units} />}
        {problems.map((p) => (
          <small key={p.path + p.what} role="alert">
            <StatusIcon tone="error" /> {p.what} {p.hint}
          </small>
        ))}
        {report && <Told report={report} />}
      </div>
      {setupId && <Since setupId={setupId} document={d} renew={renew} />}
    </li>
  );
}

/** What to load so that it asks as much as the first. */
function EqualWords({ equal, first, units }: { equal: Equalised; first: boolean; units: Units }) {
  if (equal.factor.value == null) return <small>Cannot be made equal: {equal.factor.why}</small>;
  const words = equal.loads.map((l) => {
    const exact = `${l.label.toLowerCase()} ${units.text(l.exact, l.kind, l.kind === "mass" ? 1 : 0)}`;
    const near = l.nearest;
    return near == null || Math.abs(near - l.exact) < 0.05 ? exact : `${exact}, nearest ${units.text(near, l.kind)}`;
  });
  return (
    <small data-testid="equal-load">
      {first ? "The others are made equal to it: " : "Equal with "}
      <b className="mono">{words.join("; ") || `${equal.factor.value.toFixed(2)} times the load`}</b>
    </small>
  );
}

/** Its verdicts that could be better, by their names, and how many cautions there are. */
function Told({ report }: { report: Report }) {
  const units = useUnits();
  const effort = report.profile.peakEffort.value;
  const stops = [...new Set(report.verdicts.filter((v) => v.tone === "error").map((v) => names[v.key] ?? v.key))];
  const { length } = report.cautions;
  return (
    <>
      {stops.length > 0 && (
        <small className="told">
          <StatusIcon tone="error" /> {stops.join(", ")}
          {effort != null && effort > 1 && `: asks for ${units.text(100 * effort, "percent")} of strength`}
        </small>
      )}
      {length > 0 && (
        <small className="told">
          <StatusIcon tone="caution" /> {length === 1 ? "one caution" : `${length} cautions`}
        </small>
      )}
    </>
  );
}

/** Says when the saved setup is another one by now, and takes it over. */
function Since({
  setupId,
  document,
  renew,
}: Pick<CardProps, "renew"> & { setupId: string } & Pick<Member, "document">) {
  const saved = useQuery({
    ...asked("get", "/api/setups/{id}", { params: { path: { id: setupId } } }),
    retry: (n, error) => !(error instanceof Refused) && n < 1,
  });
  const now = saved.data?.document;
  if (!now || JSON.stringify(now) === JSON.stringify(document)) return null;
  return (
    <small>
      The saved setup has changed since.{" "}
      <Button look="link" onPress={() => renew(now)}>
        Use the saved version
      </Button>
    </small>
  );
}
