import { Link, useParams } from "react-router";
import styled from "styled-components";
import type { Block } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/States";
import { useLifterNames } from "../begin/useSaved";
import { today, weekOf } from "../plan/planEdits";
import { useWeek } from "../plan/useWeek";
import { ExerciseCard } from "./ExerciseCard";

const Page = styled.div`
  height: 100%;
  overflow: auto;
  > header { display: flex; flex-wrap: wrap; gap: 12px; align-items: center; padding: 10px 20px; border-bottom: 1px solid var(--line); }
  > header a { line-height: max(24px, var(--target)); }
  > header h1 { font-size: 16px; flex: 1; }
  .sheets { display: grid; gap: 14px; padding: 16px; justify-content: center; }
  @media print {
    height: auto;
    overflow: visible;
    > header { display: none; }
    .sheets { padding: 0; gap: 0; display: block; }
  }
`;

/** The week that a block is in, the nearest of its weeks before and after it. */
const present = (b: Block): number => Math.max(1, Math.min(b.weeks, weekOf(b, today())));

/** The cards of a day: half a sheet an exercise, to be printed and taken to the gym. */
export function CardsScreen() {
  const { blockId = "", day = "0" } = useParams();
  const whose = useLifterNames();
  const { engine, block: b, week, told, failed, again } = useWeek(blockId, present, "9999");
  if (failed) return <Failed what="The cards could not be made." why="The server does not answer." again={again} />;
  if (!engine || !b || !told) return <Loading what="Drawing the cards" />;
  const d = b.days[Number(day)];
  if (!d || !told.ok)
    return <Failed what="There is no such day." why={told.problems?.[0]?.what ?? "The plan may have been changed."} />;
  const log = `${window.location.origin}/log/${b.lifterId}/${blockId}/${week}/${day}`;
  return (
    <Page>
      <header>
        <Link to={`/plan/${blockId}`}>{b.name}</Link>
        <h1>
          Cards of day {d.name}, {whose(b.lifterId ?? "")}
        </h1>
        <Button look="strong" onPress={() => window.print()}>
          Print
        </Button>
      </header>
      <div className="sheets">
        {d.entries.length === 0 && <p>Nothing is planned for this day yet.</p>}
        {d.entries.map((e, i) => (
          <ExerciseCard
            key={e.id}
            core={engine}
            entry={e}
            told={told.ok?.days[Number(day)]?.entries[i] ?? null}
            title={`${whose(b.lifterId ?? "")} · Day ${d.name} · ${i + 1} of ${d.entries.length}`}
            start={b.start}
            week={week}
            link={log}
          />
        ))}
      </div>
    </Page>
  );
}
