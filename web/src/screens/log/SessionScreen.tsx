import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useParams } from "react-router";
import { client, settled } from "../../api/client";
import { core } from "../../engine/core";
import { Failed, Loading } from "../../ui/States";
import { useLifterNames } from "../begin/useSaved";
import { today } from "../plan/planEdits";
import { DayLog } from "./DayLog";
import { lastOf, usePast } from "./useSession";

/** The day that is logged: its block is loaded, and the core. */
export function SessionScreen() {
  const { lifterId = "", blockId = "", week = "1", day = "0" } = useParams();
  const whose = useLifterNames();
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  const block = useQuery({
    queryKey: ["block", blockId],
    queryFn: () => settled(client.GET("/api/blocks/{id}", { params: { path: { id: blockId } } })),
    retry: 1,
  });
  const engine = started.data;
  const b = block.data?.document;
  const past = usePast(lifterId);
  const waits = past.isPending;
  const told = useMemo(
    () =>
      engine && b && !waits
        ? (engine.week(JSON.stringify(b), Number(week), lastOf(past.data ?? [], b, today())).ok ?? null)
        : null,
    [engine, b, week, waits, past.data],
  );
  if (block.error)
    return (
      <Failed
        what="This day could not be loaded."
        why="The server does not answer, and this phone has not seen it before."
        again={() => void block.refetch()}
      />
    );
  if (!engine || !b || waits) return <Loading what="Opening the day" />;
  if (!b.days[Number(day)]) return <Failed what="There is no such day." why="The plan may have been changed." />;
  if (!told) return <Failed what="This day cannot be computed." why="Open the plan: it says what is wrong." />;
  const at = { lifterId, block: b, blockId, week: Number(week), day: Number(day), date: today() };
  return <DayLog key={`${blockId}${day}${at.date}`} core={engine} day={at} told={told} whose={whose(lifterId)} />;
}
