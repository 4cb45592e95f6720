import { useQuery } from "@tanstack/react-query";
import { CircleHelp, CloudOff, Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import type { StoredSetup } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Mark } from "../../ui/Mark";
import type { SaveState, useSaving } from "./useSaving";

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
  }
`;

type Props = {
  stored: StoredSetup;
  name: string;
  rename: (name: string) => void;
  saving: ReturnType<typeof useSaving>;
  away: boolean;
  undo?: () => void;
  redo?: () => void;
  help: () => void;
};

export function BenchHeader({ stored, name, rename, saving, away, undo, redo, help }: Props) {
  const lifter = useQuery({
    queryKey: ["lifter", stored.lifterId],
    queryFn: () => settled(client.GET("/api/lifters/{id}", { params: { path: { id: stored.lifterId } } })),
  });
  return (
    <Bar>
      <Link to={`/lifters/${stored.lifterId}`}>{lifter.data?.name ?? "Lifter"}</Link>
      <span className="slash">/</span>
      <Name key={name} name={name} rename={rename} />
      <Status state={saving.state} version={saving.version} />
      <span className="push" />
      {away && (
        <span className="away" role="status">
          <CloudOff size={15} aria-hidden /> Server away: your work is kept here
        </span>
      )}
      <Button look="quiet" aria-label="Undo" isDisabled={!undo} onPress={undo}>
        <Undo2 size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Redo" isDisabled={!redo} onPress={redo}>
        <Redo2 size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Keys" onPress={help}>
        <CircleHelp size={16} aria-hidden />
      </Button>
      <Button
        look="strong"
        onPress={() => void saving.save()}
        isDisabled={saving.state.kind === "saving" || saving.state.kind === "saved"}
      >
        Save
      </Button>
    </Bar>
  );
}

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

function Status({ state, version }: { state: SaveState; version: number }) {
  const words: Record<SaveState["kind"], string> = {
    saved: `version ${version}`,
    unsaved: `version ${version}, not saved`,
    saving: "saving …",
    waiting: "waiting for the server",
    refused: state.kind === "refused" ? state.why : "",
    conflict: "changed elsewhere",
  };
  return (
    <span className="status" role="status" data-kind={state.kind} data-testid="save-state">
      {state.kind === "refused" && <Mark tone="stop" />}
      {state.kind === "unsaved" && <span aria-hidden>●</span>}
      {words[state.kind]}
    </span>
  );
}
