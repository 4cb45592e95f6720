import { useQueryClient } from "@tanstack/react-query";
import { Archive, ArchiveRestore, FileDown, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { client, settled } from "../../api/client";
import { Conflict } from "../../editing/Conflict";
import { EditBar } from "../../editing/EditBar";
import { SaveButton, UndoRedo } from "../../editing/EditTools";
import { NameField } from "../../editing/NameField";
import { SaveStatus } from "../../editing/SaveStatus";
import { Unsound } from "../../editing/Unsound";
import type { Core } from "../../engine/core";
import type { Lifter, StoredLifter } from "../../engine/types";
import { download, fileName } from "../../share/file";
import { Button } from "../../ui/Button";
import { inSentence } from "../../ui/inSentence";
import { notify } from "../../ui/Notices";
import { Segments } from "../../ui/Select";
import { BodyPart } from "./BodyPart";
import { RangesPart } from "./RangesPart";
import { failed, SetupsPart } from "./SetupsPart";
import { StrengthPart } from "./StrengthPart";
import { type Person, useLifter } from "./useLifter";

const Sheet = styled.div`
  height: 100%;
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  .parts { padding: 10px 24px 0; display: flex; gap: 16px; align-items: center; flex-wrap: wrap; color: var(--quiet); }
  .body { overflow: auto; padding: 14px 24px 40px; }
  .body > * { max-width: 860px; }
  .back { display: none; }
  @media (max-width: 700px) { .parts, .body { padding-left: 14px; padding-right: 14px; } .back { display: block; } }
`;

const parts = [
  { key: "setups", label: "Setups" },
  { key: "body", label: "Body" },
  { key: "ranges", label: "Ranges" },
  { key: "strength", label: "Strength" },
];

/** One lifter: the setups made for them, and all that is known of the body. */
export function LifterSheet({ core, lifter }: { core: Core; lifter: StoredLifter }) {
  const cache = useQueryClient();
  const navigate = useNavigate();
  const asked = useSearchParams()[0].get("part");
  const [part, setPart] = useState(parts.some((p) => p.key === asked) ? (asked as string) : "setups");
  const { document: person, problems, saving, save, change, dragDone, replace, ...steps } = useLifter(core, lifter);
  const { state } = saving;
  const refresh = () => changed(cache, "lifters");
  const path = { id: lifter.id };
  const problemAt = (at: string) => {
    const p = problems.find((x) => x.path === at || x.path.startsWith(`${at}[`) || x.path.startsWith(`${at}.`));
    return p && [p.what, p.hint].filter(Boolean).join(" ");
  };
  const setBody = (part: Partial<Lifter>, drag = false) =>
    change({ ...person, body: { ...person.body, ...part } }, drag);

  const remove = async () => {
    try {
      await settled(client.DELETE("/api/lifters/{id}", { params: { path, query: { version: saving.version } } }));
      navigate("/lifters");
      await refresh();
      notify(`${lifter.name} was deleted, with all setups.`, {
        label: "Undo",
        run: () => void settled(client.POST("/api/lifters/{id}/restore", { params: { path } })).then(refresh, failed),
      });
    } catch (error) {
      failed(error);
      await refresh();
    }
  };
  const archive = async (archived: boolean) => {
    const put = (to: boolean) =>
      settled(client.PUT("/api/lifters/{id}/archived", { params: { path }, body: { archived: to } })).then(refresh);
    try {
      await put(archived);
      notify(`${lifter.name} was ${archived ? "archived" : "restored"}.`, {
        label: "Undo",
        run: () => void put(!archived).catch(failed),
      });
    } catch (error) {
      failed(error);
    }
  };
  const keepFile = () => {
    const file = { schema: "dialarc.lifters/1", lifters: [person] };
    download(
      fileName(person.name, "json"),
      new Blob([`${JSON.stringify(file, null, 2)}\n`], { type: "application/json" }),
    );
  };
  return (
    <Sheet>
      <EditBar>
        <Link className="back" to="/lifters">
          Lifters
        </Link>
        <NameField
          key={person.name}
          label="Name of the lifter"
          name={person.name}
          rename={(name) => change({ ...person, name })}
        />
        <SaveStatus state={state.kind} refusal={state.kind === "refused" ? state.why : ""} version={saving.version} />
        <span className="push" />
        <UndoRedo {...steps} />
        <Button look="quiet" aria-label="Export the lifter" onPress={keepFile}>
          <FileDown size={16} aria-hidden />
        </Button>
        <Button
          look="quiet"
          aria-label={lifter.archived ? `Restore ${lifter.name}` : `Archive ${lifter.name}`}
          onPress={() => void archive(!lifter.archived)}
        >
          {lifter.archived ? <ArchiveRestore size={16} aria-hidden /> : <Archive size={16} aria-hidden />}
        </Button>
        <Button look="quiet" aria-label={`Delete ${lifter.name}`} onPress={() => void remove()}>
          <Trash2 size={16} aria-hidden />
        </Button>
        <SaveButton state={state.kind} blocked={problems.length > 0} save={save} />
      </EditBar>
      <div className="parts">
        <Segments label="Part of the sheet" options={parts} value={part} onChange={setPart} />
        {part === "setups" && <Known core={core} person={person} />}
      </div>
      <div className="body">
        <Unsound what="lifter" problems={problems} />
        {part === "setups" && <SetupsPart lifter={lifter} />}
        {part === "body" && <BodyPart core={core} person={person} problemAt={problemAt} change={change} />}
        {part === "ranges" && (
          <RangesPart core={core} body={person.body} problemAt={problemAt} change={(ranges) => setBody({ ranges })} />
        )}
        {part === "strength" && (
          <StrengthPart
            core={core}
            body={person.body}
            problemAt={problemAt}
            change={(strength, drag) => setBody({ strength }, drag)}
            changeSets={(sets) => setBody({ sets: sets.length === 0 ? undefined : sets })}
            done={dragDone}
          />
        )}
      </div>
      <Conflict what="lifter" mine={person} saving={saving} replace={replace} />
    </Sheet>
  );
}

const sentence = (text: string) => inSentence(text).replace(/\.$/, "");

const counted = (n: number, what: string) => (n === 1 ? `one ${what}` : `${n} ${what}s`);

/** What is known of the lifter in a line. */
function Known({ core, person }: { core: Core; person: Person }) {
  const { body, notes } = person;
  const tests = body.strength?.length ?? 0;
  const measured = Object.keys(body.lengths ?? {}).length;
  const ranges = Object.keys(body.ranges ?? {}).length;
  const sets = body.sets?.length ?? 0;
  const facts = [
    measured > 0 ? `${counted(measured, "length")} measured` : "tape: nothing yet",
    ranges > 0 ? `${counted(ranges, "range")} measured` : "usual ranges",
    tests + sets > 0
      ? [tests > 0 && counted(tests, "strength test"), sets > 0 && counted(sets, "known set")]
          .filter(Boolean)
          .join(", ")
      : `strength: ${sentence(core.strength(body).ok?.actions[0]?.text ?? "unknown")}`,
  ];
  return (
    <span>
      {facts.join(" · ")}
      {notes && ` · ${notes}`}
    </span>
  );
}
