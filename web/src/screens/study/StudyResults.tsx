import { useEffect, useMemo, useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { StoredSetup, StudyDocument, StudyTable } from "../../engine/types";
import { letter } from "../../state/picked";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { dayWords } from "../plan/planEdits";

const Box = styled.section`
  overflow-x: auto;
  table { border-collapse: collapse; min-width: 100%; }
  th { text-align: right; color: var(--quiet); font-size: 12px; font-weight: 400; padding: 3px 0 3px 14px; vertical-align: bottom; }
  td { text-align: right; padding: 7px 0 7px 14px; border-top: 1px solid var(--line); }
  th:first-child, td:first-child { text-align: left; padding-left: 0; }
  td small { display: block; }
  tbody.mono td:first-child { font-family: "Instrument Sans Variable", sans-serif; }
  tr[data-differs="true"] td { font-weight: 600; }
  a { font-weight: 600; color: var(--slate); }
  .line { display: flex; gap: 12px; align-items: center; flex-wrap: wrap; }
  ul { padding-left: 16px; }
`;

type Metric = { value: number | null; why?: string };
const shown = (m: Metric | undefined, digits = 0) =>
  m?.value == null ? "–" : m.value.toFixed(digits).replace("-", "−");

type Props = { core: Core; study: StudyDocument; table: StudyTable; saved: StoredSetup[] };

/** Who does what in which order, what was measured, and what lies between the setups. */
export function StudyResults({ core, study, table, saved }: Props) {
  if (study.setups.length < 2 || study.lifters.length === 0)
    return <p className="quiet">Choose two setups or more, and the lifters who do them.</p>;
  return (
    <>
      <Grid study={study} table={table} saved={saved} />
      <Box>
        <h2>Setups, mean while lifting</h2>
        <table aria-label="Setups">
          <thead>
            <tr>
              <th scope="col">setup</th>
              <th scope="col">n</th>
              <th scope="col">mean, %</th>
              <th scope="col">SD</th>
              <th scope="col">95% interval</th>
            </tr>
          </thead>
          <tbody className="mono">
            {table.setups.map((s, k) => (
              <tr key={study.setups[k]}>
                <td>
                  <b>{letter(k)}</b> {study.setups[k]}
                </td>
                <td>{s.n}</td>
                <td>{shown(s.mean)}</td>
                <td>{shown(s.sd, 1)}</td>
                <td>{s.low.value == null ? "–" : `${shown(s.low)} to ${shown(s.high)}`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Box>
      <Box>
        <h2>Differences within lifters, percentage points</h2>
        <table aria-label="Differences">
          <thead>
            <tr>
              <th scope="col">more in the first</th>
              <th scope="col">n</th>
              <th scope="col">by</th>
              <th scope="col">SD</th>
              <th scope="col">95% interval</th>
              <th scope="col"> </th>
            </tr>
          </thead>
          <tbody className="mono">
            {table.pairs.map(upward).map((p) => (
              <tr key={`${p.a} ${p.b}`} data-differs={p.differs}>
                <td>
                  {study.setups[p.a]} over {study.setups[p.b]}
                </td>
                <td>{p.n}</td>
                <td>{shown(p.mean, 1)}</td>
                <td>{shown(p.sd, 1)}</td>
                <td>{p.low.value == null ? "–" : `${shown(p.low, 1)} to ${shown(p.high, 1)}`}</td>
                <td>{p.n < 2 ? "" : p.differs ? "differs" : "not told apart"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Box>
      <Box>
        <h2>Bear in mind</h2>
        <ul className="quiet">
          {table.warnings.map((w) => (
            <li key={w}>{w}</li>
          ))}
          <Confounded core={core} study={study} saved={saved} />
          <li>Activity is not growth; at other lengths the same drive gives another signal.</li>
        </ul>
      </Box>
    </>
  );
}

/** A pair with the setup that asks more first. */
function upward(p: StudyTable["pairs"][number]): StudyTable["pairs"][number] {
  if (p.mean.value == null || p.mean.value >= 0) return p;
  const not = (m: Metric): Metric => (m.value == null ? m : { ...m, value: -m.value });
  return { ...p, a: p.b, b: p.a, mean: not(p.mean), low: not(p.high), high: not(p.low) };
}

/** What else differs between the setups, as the first lifter has them. */
function Confounded({ core, study, saved }: Pick<Props, "core" | "study" | "saved">) {
  const units = useUnits();
  const reasons = useMemo(() => {
    const first = study.lifters[0]?.id;
    const documents = study.setups.flatMap(
      (name) => saved.find((s) => s.name === name && s.lifterId === first && !s.unreadable)?.document ?? [],
    );
    return documents.length < 2 ? [] : (core.compare(documents).ok?.confounders ?? []);
  }, [core, study, saved]);
  return reasons.map((r) => <li key={r.key + r.text}>{units.sentence(r.text, r.values ?? {})}</li>);
}

/** Every lifter's setups in the order that was drawn, with what was measured and where to measure. */
function Grid({ study, table, saved }: Pick<Props, "study" | "table" | "saved">) {
  return (
    <Box>
      <div className="line">
        <h2>
          {table.done} of {table.of} measured
        </h2>
        <Rest seconds={study.rest} />
      </div>
      <table aria-label="Progress">
        <thead>
          <tr>
            <th scope="col">lifter</th>
            {study.setups.map((_, k) => (
              <th key={study.setups[k]} scope="col">
                {k === 0 ? "first" : k === study.setups.length - 1 ? "last" : `${k + 1}.`}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {study.lifters.map((l, i) => (
            <tr key={l.id}>
              <td>{l.name}</td>
              {(table.orders[i] ?? []).map((k) => {
                const cell = table.cells[i]?.[k];
                const setup = saved.find((s) => s.name === study.setups[k] && s.lifterId === l.id);
                return (
                  <td key={k}>
                    {cell?.mean.value != null ? (
                      <b className="mono">{shown(cell.mean)}%</b>
                    ) : setup ? (
                      <Link to={`/measure/${l.id}/activity?setup=${setup.id}`}>Measure</Link>
                    ) : (
                      <span className="quiet">has no such setup</span>
                    )}
                    <small>
                      {study.setups[k]}
                      {cell?.day ? `, ${dayWords(cell.day)}` : ""}
                    </small>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </Box>
  );
}

/** The rest between two setups, counted down. */
function Rest({ seconds }: { seconds: number }) {
  const [until, setUntil] = useState<number | null>(null);
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    if (until === null) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [until]);
  const left = until === null ? 0 : Math.max(0, Math.ceil((until - now) / 1000));
  return (
    <>
      <Button
        onPress={() => {
          setNow(Date.now());
          setUntil(until === null || left === 0 ? Date.now() + 1000 * seconds : null);
        }}
      >
        {left > 0 ? "Stop the rest" : "Start the rest"}
      </Button>
      <span role="timer" className="mono">
        {until === null
          ? `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`
          : left > 0
            ? `${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")} left`
            : "Rested"}
      </span>
    </>
  );
}
