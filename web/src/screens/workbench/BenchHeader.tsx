import { useQuery } from "@tanstack/react-query";
import { CircleHelp, CloudOff, FileDown, GitCompare, History, Printer } from "lucide-react";
import { memo } from "react";
import { Link } from "react-router";
import { client, settled } from "../../api/client";
import { EditBar } from "../../editing/EditBar";
import { SaveButton, UndoRedo } from "../../editing/EditTools";
import { NameField } from "../../editing/NameField";
import { SaveStatus } from "../../editing/SaveStatus";
import type { SaveKind } from "../../editing/useSaving";
import type { Lifter } from "../../engine/types";
import { Button } from "../../ui/Button";

type Props = {
  lifterId: string;
  body: string; // the document's copy of the lifter, as text
  takeBody: (lifter: Lifter) => void;
  name: string;
  rename: (name: string) => void;
  state: SaveKind;
  refusal: string;
  version: number;
  away: boolean;
  canUndo: boolean;
  canRedo: boolean;
  undo: () => void;
  redo: () => void;
  save: () => void;
  help: () => void;
  states: () => void;
  dialIn: () => void;
  pick: () => void;
  keepFile: () => void;
  card: () => void;
};

export const BenchHeader = memo(function BenchHeader(props: Props) {
  const { lifterId, state } = props;
  const lifter = useQuery({
    queryKey: ["lifter", lifterId],
    queryFn: () => settled(client.GET("/api/lifters/{id}", { params: { path: { id: lifterId } } })),
  });
  return (
    <EditBar>
      <Link to={`/lifters/${lifterId}`}>{lifter.data?.name ?? "Lifter"}</Link>
      <span className="slash">/</span>
      <NameField key={props.name} label="Name of the setup" name={props.name} rename={props.rename} />
      <SaveStatus state={state} refusal={props.refusal} version={props.version} />
      {lifter.data && JSON.stringify(lifter.data.body) !== props.body && (
        <Button look="link" onPress={() => props.takeBody(lifter.data.body)}>
          Update to new measurements
        </Button>
      )}
      <span className="push" />
      {props.away && (
        <span className="away" role="status">
          <CloudOff size={15} aria-hidden /> Server away: your work is kept here
        </span>
      )}
      <Button onPress={props.dialIn}>Dial in</Button>
      <Button look="quiet" aria-label="Add to comparison" onPress={props.pick}>
        <GitCompare size={16} aria-hidden />
      </Button>
      <UndoRedo {...props} />
      <Button look="quiet" aria-label="Versions" onPress={props.states}>
        <History size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Setup card" onPress={props.card}>
        <Printer size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Export the setup" onPress={props.keepFile}>
        <FileDown size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Keyboard shortcuts" onPress={props.help}>
        <CircleHelp size={16} aria-hidden />
      </Button>
      <SaveButton state={state} save={props.save} />
    </EditBar>
  );
});
