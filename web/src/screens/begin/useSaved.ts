import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { asked } from "../../api/client";

const most = 60;

/** The saved setups of all lifters whose names hold every word that is looked for. */
export function useSavedSetups(wanted: string) {
  const q = useDeferredValue(wanted);
  const saved = useQuery({
    ...asked("get", "/api/setups", { params: { query: { limit: most, q } } }),
    placeholderData: (before) => before,
  });
  const items = saved.data?.items ?? [];
  return { saved, items, more: (saved.data?.total ?? 0) - items.length };
}

/** The lifters of the coach, by name. */
export const useLifters = () => useQuery(asked("get", "/api/lifters", { params: { query: { limit: 200 } } }));

/** The name of a lifter by id; nothing for one who is not known. */
export function useLifterNames(): (id: string) => string {
  const lifters = useLifters();
  return (id) => lifters.data?.items?.find((l) => l.id === id)?.name ?? "";
}
