import { useQueryClient } from "@tanstack/react-query";
import { Copy, FileDown, Plus, Trash2 } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Link, useSearchParams } from "react-router";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import { Conflict } from "../../editing/Conflict";
import { EditBar } from "../../editing/EditBar";
import { SaveButton, UndoRedo } from "../../editing/EditTools";
import { NameField } from "../../editing/NameField";
import { SaveStatus } from "../../editing/SaveStatus";
import { Unsound } from "../../editing/Unsound";
import { useWhole } from "../../editing/useWhole";
import type { Core } from "../../engine/core";
import type { Problem, Room, StoredRoom } from "../../engine/types";
import { download, fileName } from "../../share/file";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { notify } from "../../ui/Notices";
import { type Item, type ListName, type Section, sections } from "./fields";
import { ItemRow } from "./ItemRow";
import { MeasureBand } from "./measure/MeasureBand";
import { MeasureCam } from "./measure/MeasureCam";
import { MeasureLever } from "./measure/MeasureLever";
import { MeasureStack } from "./measure/MeasureStack";
import type { MeasureProps as DialogProps } from "./measure/Readings";
import { type Removal, UsedBy, usersOf } from "./UsedBy";
import { useRoom } from "./useRoom";

const Sheet = styled.div`
  height: 100%;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  .body { overflow: auto; padding: 12px 24px 40px; }
  .body > * { max-width: 860px; }
  .back { display: none; }
  @media (max-width: 700px) { .body { padding: 12px 14px 40px; } .back { display: block; } }
`;

const Part = styled.section`
  padding: 12px 0 4px;
  > header { display: flex; align-items: baseline; gap: 10px; border-bottom: 1px solid var(--line); padding-bottom: 4px; flex-wrap: wrap; }
  h2 { font-size: 15px; }
  header p { flex: 1; color: var(--quiet); font-size: 12px; min-width: 12ch; }
  ul { list-style: none; padding: 0; margin: 0; }
`;

/** One room with everything in it, open for changes. */
export function RoomSheet({ core, stored }: { core: Core; stored: StoredRoom }) {
  const { room, problems, saving, save, edits, canUndo, canRedo, replace } = useRoom(core, stored);
  const [removal, setRemoval] = useState<Removal | null>(null);
  const [query] = useSearchParams();
  const [measuring, setMeasuring] = useState<Measuring | null>(() => asked(room, query.get("measure")));
  const { state } = saving;

  const keepFile = () =>
    download(
      fileName(room.name, "json"),
      new Blob([`${JSON.stringify(room, null, 2)}\n`], { type: "application/json" }),
    );
  const path = { id: stored.id };
  const cache = useQueryClient();
  const whole = useWhole({
    name: room.name,
    kind: "rooms",
    home: "/kit",
    copyAs: (name) =>
      settled(client.POST("/api/rooms", { body: { id: crypto.randomUUID(), document: { ...room, name } } })),
    remove: () => settled(client.DELETE("/api/rooms/{id}", { params: { path, query: { version: saving.version } } })),
    restore: () => settled(client.POST("/api/rooms/{id}/restore", { params: { path } })),
  });
  /** Asks first when setups use what is to go. */
  const ask = async (name: string, item: string | undefined, run: () => void) => {
    try {
      const used = await cache.fetchQuery(usersOf(stored.id, item));
      if (used.total > 0) setRemoval({ name, used, run });
      else run();
    } catch {
      notify("The server does not answer, so it is not known what uses it. Nothing was changed.");
    }
  };
  const removeItem = (section: Section, item: Item, index: number) =>
    void ask(item.name, item.key, () => {
      edits.remove(section.list, index);
      notify(`${item.name} was removed.`, {
        label: "Undo",
        run: () => edits.putBack(section.list, index, item),
      });
    });
  return (
    <Sheet>
      <EditBar>
        <Link className="back" to="/kit">
          Kit
        </Link>
        <NameField
          key={room.name}
          label="Name of the gym"
          name={room.name}
          rename={(name) => edits.change({ ...room, name })}
        />
        <SaveStatus state={state.kind} refusal={state.kind === "refused" ? state.why : ""} version={saving.version} />
        <span className="push" />
        <UndoRedo canUndo={canUndo} canRedo={canRedo} undo={edits.undo} redo={edits.redo} />
        <Button look="quiet" aria-label="Duplicate the gym" onPress={() => void whole.copy()}>
          <Copy size={16} aria-hidden />
        </Button>
        <Button look="quiet" aria-label="Export the gym" onPress={keepFile}>
          <FileDown size={16} aria-hidden />
        </Button>
        <Button
          look="quiet"
          aria-label="Delete the gym"
          onPress={() => void ask(room.name, undefined, () => void whole.remove())}
        >
          <Trash2 size={16} aria-hidden />
        </Button>
        <SaveButton state={state.kind} blocked={problems.length > 0} save={save} />
      </EditBar>
      <div className="body">
        <Unsound what="room" problems={problems} />
        <TextInput
          label="Notes"
          value={room.notes ?? ""}
          onChange={(notes) => edits.change({ ...room, notes: notes || undefined })}
          long
        />
        {sections.map((section) => (
          <Things
            key={section.list}
            section={section}
            items={room[section.list] as unknown as Item[]}
            problems={problems}
            edits={edits}
            remove={removeItem}
            measure={(item, index) => setMeasuring({ list: section.list, item, index })}
          />
        ))}
      </div>
      {measuring && (
        <Measure
          core={core}
          roomId={stored.id}
          measuring={measuring}
          room={room}
          close={() => setMeasuring(null)}
          take={(item) => {
            edits.setItem(measuring.list, measuring.index, item);
            setMeasuring(null);
            notify(`${item.name} is as it was measured. Save the gym to keep that.`, {
              label: "Undo",
              run: edits.undo,
            });
          }}
        />
      )}
      {removal && <UsedBy removal={removal} close={() => setRemoval(null)} />}
      <Conflict what="room" mine={room} saving={saving} replace={replace} />
    </Sheet>
  );
}

/** What is being measured, and where it stands in the room. */
type Measuring = { list: ListName; item: Item; index: number };

/** The kinds of things that are measured, and how. */
const dialogs: Partial<Record<ListName, (props: DialogProps) => ReactNode>> = {
  bands: MeasureBand,
  stations: MeasureStack,
  cams: MeasureCam,
  levers: MeasureLever,
};

/** What an address asks to be measured, by its key. */
function asked(room: Room, key: string | null): Measuring | null {
  for (const list of Object.keys(dialogs) as ListName[]) {
    const items = room[list] as unknown as Item[];
    const index = items.findIndex((x) => x.key === key);
    const item = items[index];
    if (item) return { list, item, index };
  }
  return null;
}

type MeasureProps = {
  core: Core;
  roomId: string;
  measuring: Measuring;
  room: Room;
  close: () => void;
  take: (item: Item) => void;
};

/** The dialog that measures a thing of its kind. */
function Measure({ core, roomId, measuring, room, close, take }: MeasureProps) {
  const { list, item, index } = measuring;
  const roomWith = (to: Item): Room => ({
    ...room,
    [list]: (room[list] as unknown as Item[]).map((x, i) => (i === index ? to : x)),
  });
  const Dialog = dialogs[list];
  if (!Dialog) return null;
  return <Dialog {...{ core, roomId, item, roomWith, close, take }} />;
}

type ThingsProps = {
  section: Section;
  items: Item[];
  problems: Problem[];
  edits: ReturnType<typeof useRoom>["edits"];
  remove: (section: Section, item: Item, index: number) => void;
  measure: (item: Item, index: number) => void;
};

/** All things of a kind. One that was just added is open. */
function Things({ section, items, problems, edits, remove, measure }: ThingsProps) {
  const [added, setAdded] = useState(-1);
  const { list } = section;
  const ofItem = (i: number) => {
    const base = `${list}[${i}].`;
    return problems.filter((p) => p.path.startsWith(base)).map((p) => ({ ...p, path: p.path.slice(base.length) }));
  };
  const add = (item: Item) => {
    setAdded(items.length);
    edits.add(list, item);
  };
  return (
    <Part aria-label={section.title}>
      <header>
        <h2>{section.title}</h2>
        <p>{section.about}</p>
        <Button look="quiet" onPress={() => add(section.fresh())}>
          <Plus size={14} aria-hidden /> Add {section.one}
        </Button>
      </header>
      <ul>
        {items.map((item, i) => (
          <ItemRow
            key={item.key}
            section={section}
            item={item}
            problems={ofItem(i)}
            opened={i === added}
            set={(to, drag) => edits.setItem(list, i, to, drag)}
            done={edits.dragDone}
            copy={() => add({ ...item, name: `${item.name}, copy`.slice(0, 200) })}
            remove={() => remove(section, item, i)}
            measure={list in dialogs ? () => measure(item, i) : undefined}
          />
        ))}
      </ul>
    </Part>
  );
}
