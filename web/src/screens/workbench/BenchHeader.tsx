import { useQuery } from "@tanstack/react-query";
import { CircleHelp, CloudOff, Ellipsis, FileDown, GitCompare, History, Printer } from "lucide-react";
import { memo } from "react";
import { Link } from "react-router";
import { asked } from "../../api/client";
import { EditBar } from "../../editing/EditBar";
import { SaveButton, UndoRedo } from "../../editing/EditTools";
import { NameField } from "../../editing/NameField";
import { SaveStatus } from "../../editing/SaveStatus";
import type { SaveKind } from "../../editing/useSaving";
import type { Lifter } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Menu } from "../../ui/Menu";
import { useNarrow } from "../../ui/useNarrow";

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
  const lifter = useQuery(asked("get", "/api/lifters/{id}", { params: { path: { id: lifterId } } }));
  const narrow = useNarrow();
  const actions = [
    { label: "Add to comparison", run: props.pick, Icon: GitCompare },
    { label: "Versions", run: props.states, Icon: History },
    { label: "Setup card", run: props.card, Icon: Printer },
    { label: "Export the setup", run: props.keepFile, Icon: FileDown },
    { label: "Keyboard shortcuts", run: props.help, Icon: CircleHelp },
  ];
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
      {!narrow && <Button onPress={props.dialIn}>Dial in</Button>}
      <UndoRedo {...props} />
      {!narrow &&
        actions.map(({ label, run, Icon }) => (
          <Button key={label} look="quiet" aria-label={label} onPress={run}>
            <Icon size={16} aria-hidden />
          </Button>
        ))}
      {narrow && (
        <Menu label="More" actions={[{ label: "Dial in", run: props.dialIn }, ...actions]}>
          <Ellipsis size={16} aria-hidden />
        </Menu>
      )}
      <SaveButton state={state} save={props.save} />
    </EditBar>
  );
});
