import { useQuery } from "@tanstack/react-query";
import { asked } from "../../api/client";
import type { SetupDocument } from "../../engine/types";
import { Loading } from "../../ui/States";
import { NewSetup } from "../begin/NewSetup";

type Props = {
  lifterId: string;
  close: () => void;
  pick: (document: SetupDocument, from?: { id: string; version: number }) => void;
};

/** An exercise for a day: one of the library, a saved setup, one from scratch or from a file, made for the lifter. */
export function AddEntry({ lifterId, close, pick }: Props) {
  const lifter = useQuery(asked("get", "/api/lifters/{id}", { params: { path: { id: lifterId } } }));
  if (!lifter.data) return <Loading what="Loading the lifter" />;
  return (
    <NewSetup
      lifter={lifter.data}
      close={close}
      pick={async (document, from) => pick(document, from)}
      title="Add an exercise"
    />
  );
}
