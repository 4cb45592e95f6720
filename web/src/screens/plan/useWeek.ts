import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { asked } from "../../api/client";
import { core } from "../../engine/core";
import type { Block } from "../../engine/types";
import { lastOf, usePast } from "../log/useSession";

/** A block with what it comes to in one of its weeks, after what was logged before a day; told is null until all of that is there. */
export function useWeek(blockId: string, weekOf: (b: Block) => number, before: string) {
  const engine = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY }).data;
  const block = useQuery({
    ...asked("get", "/api/blocks/{id}", { params: { path: { id: blockId } } }),
    retry: 1,
  });
  const b = block.data?.document;
  const past = usePast(b?.lifterId ?? "");
  const week = b ? weekOf(b) : 1;
  const told = useMemo(
    () =>
      engine && b && !past.isPending ? engine.week(JSON.stringify(b), week, lastOf(past.data ?? [], b, before)) : null,
    [engine, b, past.isPending, past.data, week, before],
  );
  return { engine, block: b, week, told, failed: block.isError, again: () => void block.refetch() };
}
