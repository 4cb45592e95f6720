import { useParams } from "react-router";
import { Failed, Loading } from "../../ui/States";
import { useLifterNames } from "../begin/useSaved";
import { today } from "../plan/planEdits";
import { useWeek } from "../plan/useWeek";
import { DayLog } from "./DayLog";
import { plannedDay } from "./days";

/** The day that is logged: its block is loaded, and the core. */
export function SessionScreen() {
  const { lifterId = "", blockId = "", week = "1", day = "0" } = useParams();
  const whose = useLifterNames();
  const { engine, block: b, told, failed, again } = useWeek(blockId, () => Number(week), today());
  if (failed)
    return (
      <Failed
        what="This day could not be loaded."
        why="The server does not answer, and this phone has not seen it before."
        again={again}
      />
    );
  if (!engine || !b || !told) return <Loading what="Opening the day" />;
  if (!b.days[Number(day)]) return <Failed what="There is no such day." why="The plan may have been changed." />;
  if (!told.ok) return <Failed what="This day cannot be computed." why="Open the plan: it says what is wrong." />;
  const at = plannedDay(b, blockId, Number(week), Number(day), today(), told.ok);
  return <DayLog key={at.words.join()} core={engine} day={at} whose={whose(lifterId)} />;
}
