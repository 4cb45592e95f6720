import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { client, Refused, settled } from "../../../api/client";
import { core } from "../../../engine/core";
import { Empty, Failed, Loading } from "../../../ui/States";
import { useSetupsOf } from "../MeasureScreen";
import { ActivityBench } from "./ActivityBench";

/** Muscle activity of a lifter: what electrodes recorded, over the range and beside the model. */
export function ActivityScreen() {
  const { id = "" } = useParams();
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  const lifter = useQuery({
    queryKey: ["lifter", id],
    queryFn: () => settled(client.GET("/api/lifters/{id}", { params: { path: { id } } })),
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
  return (
    <ActivityBench
      key={id}
      core={started.data}
      lifter={lifter.data}
      setups={(setups.data?.items ?? []).filter((s) => !s.unreadable)}
    />
  );
}
