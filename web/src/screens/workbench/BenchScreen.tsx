import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { client, Refused, settled } from "../../api/client";
import { core } from "../../engine/core";
import { Failed, Loading } from "../../ui/States";
import { Bench } from "./Bench";
import { rememberBench } from "./lastOpened";

/** Loads the setup and the core, then shows the bench. */
export function BenchScreen() {
  const { id = "" } = useParams();
  const engine = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY, retry: false });
  const setup = useQuery({
    queryKey: ["setup", id, "open"], // its own: what other screens have read may be older, and a save is not read back
    queryFn: () => settled(client.GET("/api/setups/{id}", { params: { path: { id } } })),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    retry: (n, error) => !(error instanceof Refused) && n < 2,
  });
  if (engine.error) return <Failed what="The calculation did not load." why={String(engine.error)} />;
  if (setup.error) {
    const gone = setup.error instanceof Refused && [404, 422].includes(setup.error.failure.status ?? 0);
    return gone ? (
      <Failed what="There is no such setup." why="It may have been deleted." home />
    ) : (
      <Failed what="The setup could not be loaded." why={setup.error.message} again={() => void setup.refetch()} home />
    );
  }
  if (setup.data?.unreadable) return <Failed what="This setup cannot be read." why={setup.data.unreadable} home />;
  if (!engine.data || !setup.data) return <Loading what="Opening the setup" />;
  rememberBench(id);
  return <Bench key={id} core={engine.data} stored={setup.data} />;
}
