import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useParams } from "react-router";
import { asked, Refused } from "../../api/client";
import { type Core, core } from "../../engine/core";
import type { StoredLifter, StoredSetup } from "../../engine/types";
import { Empty, Failed, Loading } from "../../ui/States";

const mostSetups = 24;

/** The newest setups of a lifter. */
export const useSetupsOf = (lifterId: string | undefined) =>
  useQuery({
    ...asked("get", "/api/setups", { params: { query: { lifterId, limit: mostSetups } } }),
    enabled: !!lifterId,
  });

type Props = { children: (core: Core, lifter: StoredLifter, setups: StoredSetup[]) => ReactNode };

/** What is measured of the lifter of the address, once lifter, setups and core are there. */
export function ForLifter({ children }: Props) {
  const { id = "" } = useParams();
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  const lifter = useQuery({
    ...asked("get", "/api/lifters/{id}", { params: { path: { id } } }),
    retry: (n, error) => !(error instanceof Refused) && n < 1,
  });
  const setups = useSetupsOf(id);
  if (lifter.error instanceof Refused)
    return <Empty title="There is no such lifter" text="They may have been deleted." />;
  if (lifter.error || started.error) {
    return (
      <Failed
        what="The lifter could not be loaded."
        why={lifter.error ? "The server does not answer." : "The calculation core did not load."}
        again={() => void (lifter.error ? lifter : started).refetch()}
      />
    );
  }
  if (!lifter.data || !started.data || setups.isPending) return <Loading what="Loading the lifter" />;
  return children(
    started.data,
    lifter.data,
    (setups.data?.items ?? []).filter((s) => !s.unreadable),
  );
}
