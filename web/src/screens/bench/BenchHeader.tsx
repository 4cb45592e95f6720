import { useQuery } from "@tanstack/react-query";
import { CircleHelp, CloudOff, FileDown, History, Redo2, Undo2 } from "lucide-react";
import { memo, useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import type { Lifter } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Mark } from "../../ui/Mark";
import type { SaveState } from "./useSaving";

const Bar = styled.header`
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 52px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--line);
  min-width: 0;
  > a { color: var(--quiet); text-decoration: none; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; max-width: 24ch; }
  > a:hover { text-decoration: underline; }
  .slash { color: var(--quiet); }
  input {
    flex: 0 1 auto;
    field-sizing: content;
    min-width: 60px;
    max-width: 460px;
    padding: 3px 6px;
    margin-left: -6px;
    border: 1px solid transparent;
    border-radius: 5px;
    background: transparent;
    font-size: 15px;
    font-weight: 600;
    text-overflow: ellipsis;
  }
  input:hover { border-color: var(--line); }
  .status { display: inline-flex; align-items: center; gap: 6px; color: var(--quiet); white-space: nowrap; }
  .status[data-kind="waiting"], .status[data-kind="refused"] { color: var(--brick); }
  .push { flex: 1 100 0; }
  .away { display: inline-flex; align-items: center; gap: 6px; color: var(--ochre); white-space: nowrap; }
  @media (max-width: 700px) {
    flex-wrap: wrap;
    gap: 4px 8px;
    .slash, .push { display: none; }
    input { flex-basis: 100%; max-width: none; order: -1; }
    .away { white-space: normal; }
    > button { padding: 4px 8px; }
    > button:last-child { margin-left: auto; padding: 4px 12px; }
  }
`;

type Props = {
  lifterId: string;
  body: string; // the document's copy of the lifter, as text
  takeBody: (lifter: Lifter) => void;
  name: string;
  rename: (name: string) => void;
  state: SaveState["kind"];
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
  keepFile: () => void;
};

export const BenchHeader = memo(function BenchHeader(props: Props) {
  const { lifterId, state } = props;
  const lifter = useQuery({
    queryKey: ["lifter", lifterId],
    queryFn: () => settled(client.GET("/api/lifters/{id}", { params: { path: { id: lifterId } } })),
  });
  return (
    <Bar>
      <Link to={`/lifters/${lifterId}`}>{lifter.data?.name ?? "Lifter"}</Link>
      <span className="slash">/</span>
      <Name key={props.name} name={props.name} rename={props.rename} />
      <Status state={state} refusal={props.refusal} version={props.version} />
      {lifter.data && JSON.stringify(lifter.data.body) !== props.body && (
        <Button look="link" onPress={() => props.takeBody(lifter.data.body)}>
          Take over the lifter's new measures
        </Button>
      )}
      <span className="push" />
      {props.away && (
        <span className="away" role="status">
          <CloudOff size={15} aria-hidden /> Server away: your work is kept here
        </span>
      )}
      <Button look="quiet" aria-label="Undo" isDisabled={!props.canUndo} onPress={props.undo}>
        <Undo2 size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Redo" isDisabled={!props.canRedo} onPress={props.redo}>
        <Redo2 size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Saved states" onPress={props.states}>
        <History size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Keep the setup as a file" onPress={props.keepFile}>
        <FileDown size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Keys" onPress={props.help}>
        <CircleHelp size={16} aria-hidden />
      </Button>
      <Button look="strong" onPress={props.save} isDisabled={state === "saving" || state === "saved"}>
        Save
      </Button>
    </Bar>
  );
});

/** The name, taken over when the field is left. */
function Name({ name, rename }: { name: string; rename: (name: string) => void }) {
  const [text, setText] = useState(name);
  const done = () => {
    const trimmed = text.trim();
    if (trimmed && trimmed !== name) rename(trimmed);
    else setText(name);
  };
  return (
    <input
      aria-label="Name of the setup"
      value={text}
      maxLength={200}
      onChange={(e) => setText(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => {
        if (e.key === "Enter") e.currentTarget.blur();
        if (e.key === "Escape") setText(name);
      }}
    />
  );
}

function Status({ state, refusal, version }: { state: SaveState["kind"]; refusal: string; version: number }) {
  const words: Record<SaveState["kind"], string> = {
    saved: `version ${version}`,
    unsaved: `version ${version}, not saved`,
    saving: "saving …",
    waiting: "waiting for the server",
    refused: refusal,
    conflict: "changed elsewhere",
  };
  return (
    <span className="status" role="status" data-kind={state} data-testid="save-state">
      {state === "refused" && <Mark tone="stop" />}
      {state === "unsaved" && <span aria-hidden>●</span>}
      {words[state]}
    </span>
  );
}
