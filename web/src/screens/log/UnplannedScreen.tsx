import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { core } from "../../engine/core";
import { usePreferences } from "../../state/preferences";
import { Failed, Loading } from "../../ui/States";
import { useLifterNames } from "../begin/useSaved";
import { today } from "../plan/planEdits";
import { DayLog } from "./DayLog";
import { unplannedDay } from "./days";

/** A day without a plan for one lifter. */
export function UnplannedScreen() {
  const { lifterId = "" } = useParams();
  const whose = useLifterNames();
  const { room } = usePreferences();
  const engine = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  if (engine.error) return <Failed what="The calculation core did not load." why={engine.error.message} />;
  if (!engine.data) return <Loading what="Opening the day" />;
  const day = unplannedDay(lifterId, today(), room ?? undefined);
  return <DayLog key={day.words.join()} core={engine.data} day={day} whose={whose(lifterId)} />;
}
