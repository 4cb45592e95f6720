import { useState } from "react";
import type { SetupDocument, StoredLifter } from "../../engine/types";
import { setPreferences, usePreferences } from "../../state/preferences";
import { useRooms } from "../../state/rooms";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { Segments, Select } from "../../ui/Select";
import { FromFile } from "./FromFile";
import { FromNothing } from "./FromNothing";
import { ReadyOnes } from "./ReadyOnes";
import { SavedOnes } from "./SavedOnes";

const ways = [
  { key: "ready", label: "Exercises" },
  { key: "saved", label: "Saved" },
  { key: "nothing", label: "From scratch" },
  { key: "file", label: "File" },
];

type Props = {
  lifter: StoredLifter;
  close: () => void;
  pick: (d: SetupDocument, from?: { id: string; version: number }) => Promise<void>;
  title?: string;
};

/** The four ways to begin a setup for a lifter, in the room that was worked in last. */
export function NewSetup({ lifter, close, pick, title = "New setup" }: Props) {
  const [way, setWay] = useState("ready");
  const { data, isPending } = useRooms();
  const rooms = data?.items ?? [];
  const preferred = usePreferences().room;
  const room = (preferred === null ? rooms[0] : rooms.find((r) => r.id === preferred)) ?? null;
  const options = [{ key: "", label: "Any gym" }, ...rooms.map((r) => ({ key: r.id, label: r.name }))];
  const props = { lifter, room, close, pick };
  return (
    <Modal title={title} open onClose={close} wide>
      <div className="pair">
        <Segments label="Start from" options={ways} value={way} onChange={setWay} />
        {/* Shown before the rooms are known too, so that nothing moves under the hand when they come. */}
        {(rooms.length > 0 || isPending) && way !== "file" && (
          <Select
            label="Gym"
            options={options}
            value={room?.id ?? ""}
            onChange={(id) => setPreferences({ room: id })}
          />
        )}
      </div>
      {way === "ready" && <ReadyOnes {...props} />}
      {way === "saved" && <SavedOnes {...props} />}
      {way === "nothing" && <FromNothing {...props} />}
      {way === "file" && <FromFile {...props} />}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
      </div>
    </Modal>
  );
}
