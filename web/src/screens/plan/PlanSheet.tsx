import { Copy, FileDown, Trash2, UserRoundPlus } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import { Conflict } from "../../editing/Conflict";
import { EditBar } from "../../editing/EditBar";
import { SaveButton, UndoRedo } from "../../editing/EditTools";
import { NameField } from "../../editing/NameField";
import { SaveStatus } from "../../editing/SaveStatus";
import { Unsound } from "../../editing/Unsound";
import { useEditing } from "../../editing/useEditing";
import { useWhole } from "../../editing/useWhole";
import type { Core } from "../../engine/core";
import type { Block, PlanWeek, StoredBlock } from "../../engine/types";
import { download, fileName } from "../../share/file";
import { Button } from "../../ui/Button";
import { Menu } from "../../ui/Menu";
import { notify } from "../../ui/Notices";
import { lastOf, usePast } from "../log/useSession";
import { AddEntry } from "./AddEntry";
import { DayRow } from "./DayRow";
import { EntryPanel } from "./EntryPanel";
import { GiveTo } from "./GiveTo";
import { Ledger } from "./Ledger";
import { newEntry, type Spot, today, weekOf, withEntry, withNewDay } from "./planEdits";
import { Ribbon } from "./Ribbon";

const Sheet = styled.div`
  height: 100%;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  .back { display: none; }
  .two { display: grid; grid-template-columns: minmax(0, 1fr) 380px; min-height: 0; }
  .days { overflow: auto; min-width: 0; }
  .beside { overflow: auto; background: var(--sheet); border-left: 1px solid var(--line); padding: 12px 16px 24px; }
  .more { padding: 14px 20px 32px; }
  @media (max-width: 999px) {
    .two { grid-template-columns: minmax(0, 1fr); overflow: auto; }
    .days, .beside { overflow: visible; }
    .beside { border: 0; border-top: 1px solid var(--line); }
    .back { display: block; }
  }
`;

/** One block, open for changes: its weeks, the days of one of them, and beside them what the week asks, or the chosen exercise. */
export function PlanSheet({ core, stored, whose }: { core: Core; stored: StoredBlock; whose: string }) {
  const editing = useEditing<Block>(
    stored,
    (version, document) => ({ path: "/api/blocks/{id}", id: stored.id, body: { version, document } }),
    (text) => core.block(text).problems ?? [],
  );
  const { document: b, problems, saving, save, change, undo, redo, canUndo, canRedo } = editing;
  const { state } = saving;
  const [week, setWeek] = useState(() => Math.max(1, Math.min(b.weeks, weekOf(b, today()))));
  const [chosen, choose] = useState<string | null>(null); // id of an entry
  const [adding, setAdding] = useState<number | null>(null); // place of a day
  const [giving, setGiving] = useState<"plan" | number | null>(null); // what of it: a number is the place of a day
  const text = useMemo(() => JSON.stringify(b), [b]);
  const shown = Math.min(week, b.weeks);
  const past = usePast(b.lifterId ?? "").data;
  const last = useMemo(() => lastOf(past ?? [], JSON.parse(text) as Block, "9999"), [past, text]);
  const told = useMemo(
    () => (problems.length === 0 ? (core.week(text, shown, last).ok ?? null) : null),
    [core, text, shown, last, problems],
  );
  const sound = useRef<PlanWeek | null>(null);
  if (told) sound.current = told;
  const weekTold = told ?? sound.current;
  const spot = spotOf(b, chosen);
  const path = { id: stored.id };
  const whole = useWhole({
    name: b.name,
    kind: "blocks",
    home: "/plan",
    copyAs: (name) =>
      settled(client.POST("/api/blocks", { body: { id: crypto.randomUUID(), document: { ...b, name } } })),
    remove: () => settled(client.DELETE("/api/blocks/{id}", { params: { path, query: { version: saving.version } } })),
    restore: () => settled(client.POST("/api/blocks/{id}/restore", { params: { path } })),
  });
  const keepFile = () =>
    download(fileName(b.name, "json"), new Blob([`${JSON.stringify(b, null, 2)}\n`], { type: "application/json" }));
  const keepTable = () => {
    const { ok, problems } = core.blockTable(text);
    if (ok) download(fileName(b.name, "csv"), new Blob([ok.text], { type: "text/csv" }));
    else notify(`No table was made. ${problems?.[0]?.what ?? ""}`);
  };
  return (
    <Sheet>
      <EditBar>
        <Link className="back" to="/plan">
          Plan
        </Link>
        <Link to={`/lifters/${b.lifterId}`}>{whose || "Lifter"}</Link>
        <span className="slash">/</span>
        <NameField key={b.name} label="Name of the plan" name={b.name} rename={(name) => change({ ...b, name })} />
        <SaveStatus state={state.kind} refusal={state.kind === "refused" ? state.why : ""} version={saving.version} />
        <span className="push" />
        <UndoRedo canUndo={canUndo} canRedo={canRedo} undo={undo} redo={redo} />
        <Button look="quiet" aria-label="Duplicate the plan" onPress={() => void whole.copy()}>
          <Copy size={16} aria-hidden />
        </Button>
        <Menu
          label="Export the plan"
          actions={[
            { label: "As a file (JSON)", run: keepFile },
            { label: "As a table (CSV)", run: keepTable },
            { label: "As a calendar", run: () => void keepCalendar(stored.id, b.name, saving.dirty) },
          ]}
        >
          <FileDown size={16} aria-hidden />
        </Menu>
        <Button look="quiet" aria-label="Give the plan to another lifter" onPress={() => setGiving("plan")}>
          <UserRoundPlus size={16} aria-hidden />
        </Button>
        <Button look="quiet" aria-label="Delete the plan" onPress={() => void whole.remove()}>
          <Trash2 size={16} aria-hidden />
        </Button>
        <SaveButton state={state.kind} blocked={problems.length > 0} save={save} />
      </EditBar>
      <div className="two">
        <div className="days">
          <Unsound what="plan" problems={problems} />
          <Ribbon block={b} week={shown} setWeek={setWeek} counts={weekTold?.sets ?? []} change={change} />
          {b.days.map((_, i) => (
            <DayRow
              key={i}
              block={b}
              day={i}
              told={weekTold?.days[i] ?? null}
              chosen={chosen}
              choose={choose}
              change={change}
              add={() => setAdding(i)}
              give={() => setGiving(i)}
              lifterId={b.lifterId ?? ""}
              blockId={stored.id}
              week={shown}
            />
          ))}
          <div className="more">
            <Button look="link" onPress={() => change(withNewDay(b))}>
              Add a day
            </Button>
          </div>
        </div>
        <div className="beside">
          {spot ? (
            <EntryPanel
              core={core}
              block={b}
              spot={spot}
              told={weekTold?.days[spot.day]?.entries.find((e) => e.id === chosen) ?? null}
              change={change}
              close={() => choose(null)}
            />
          ) : (
            weekTold && <Ledger core={core} block={b} week={weekTold} change={change} />
          )}
        </div>
      </div>
      {adding !== null && (
        <AddEntry
          lifterId={b.lifterId ?? ""}
          close={() => setAdding(null)}
          pick={(document, from) => {
            const entry = newEntry(core, document, from);
            setAdding(null);
            if (!entry) return notify("This setup has problems: open it and mend them first.");
            change(withEntry(b, adding, entry));
            choose(entry.id);
          }}
        />
      )}
      {giving !== null && (
        <GiveTo core={core} block={b} day={giving === "plan" ? undefined : giving} close={() => setGiving(null)} />
      )}
      <Conflict what="plan" mine={b} saving={saving} replace={editing.replace} />
    </Sheet>
  );
}

/** The saved days as iCalendar, which the server makes. */
async function keepCalendar(id: string, name: string, dirty: boolean): Promise<void> {
  if (dirty) return notify("Save the plan first: the calendar is made of what is saved.");
  try {
    const answer = await fetch(`/api/blocks/${id}/calendar`);
    if (!answer.ok) throw new Error(answer.statusText);
    download(fileName(name, "ics"), await answer.blob());
  } catch {
    notify("The calendar was not made: the server does not answer.");
  }
}

function spotOf(b: Block, id: string | null): Spot | null {
  for (const [day, d] of b.days.entries()) {
    const at = d.entries.findIndex((e) => e.id === id);
    if (at >= 0) return { day, at };
  }
  return null;
}
