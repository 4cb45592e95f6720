import { useEffect, useState } from "react";
import type { Core } from "../../engine/core";
import type { Session, Swap } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useRooms } from "../../state/rooms";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { List, Pictured } from "../begin/parts";

type Entry = Session["entries"][number];

type Props = { core: Core; entry: Entry; gym?: string; close: () => void; swap: (entry: Entry, load: number) => void };

/** The exercises that can stand in for one, looked for a moment after the dialog is shown; none are without a joint to ask about (null). */
export function useInstead(core: Core, entry: Entry, gym: string | undefined, joint: string | null): Swap[] | null {
  const rooms = useRooms();
  const [found, setFound] = useState<Swap[] | null>(null);
  const items = rooms.data?.items;
  const waits = rooms.isPending;
  useEffect(() => {
    if (waits || joint === null) return;
    const room = items?.find((r) => r.id === (gym ?? entry.document.gym)) ?? null;
    const timer = setTimeout(() => {
      const { ok } = core.instead(
        JSON.stringify(entry.document),
        entry.document.lifter,
        room ? JSON.stringify(room.document) : "",
        room?.id ?? "",
        joint,
      );
      setFound(ok ?? []);
    }, 30);
    return () => clearTimeout(timer);
  }, [core, entry, gym, joint, items, waits]);
  return found;
}

/** Another exercise with the same sets and repetitions. */
export const standIn = (entry: Entry, s: Swap): Entry => ({
  ...entry,
  id: crypto.randomUUID(),
  setupId: undefined,
  setupVersion: undefined,
  loadBy: undefined,
  document: s.document,
});

type SwapsProps = {
  found: Swap[];
  about: (s: Swap) => string;
  label: string;
  says: (s: Swap) => string;
  take: (s: Swap) => void;
};

/** Exercises to take instead, each with its picture and what matters of it. */
export function Swaps({ found, about, label, says, take }: SwapsProps) {
  return (
    <List>
      <ul>
        {found.map((s) => (
          <Pictured key={s.key}>
            <span className="picture">
              <SetupPicture document={s.document} width={72} height={54} />
            </span>
            <span>
              {s.name}
              <small>{about(s)}</small>
            </span>
            <Button aria-label={says(s)} onPress={() => take(s)}>
              {label}
            </Button>
          </Pictured>
        ))}
      </ul>
    </List>
  );
}

/** The station is taken: what comes nearest to the exercise elsewhere in this gym, with the load for the same torque. */
export function SwapDialog({ core, entry, gym, close, swap }: Props) {
  const units = useUnits();
  const found = useInstead(core, entry, gym, "");
  return (
    <Modal title={`Instead of ${entry.document.name}`} open onClose={close}>
      {found === null && <p role="status">Looking for what comes nearest …</p>}
      {found?.length === 0 && <p>Nothing else in this gym works the same muscle at another station.</p>}
      <Swaps
        found={found ?? []}
        about={(s) => (s.load > 0 ? `${units.text(s.load, "mass")} for the same torque` : "no load to set")}
        label="Swap"
        says={(s) => `Swap to ${s.name}`}
        take={(s) => swap(standIn(entry, s), s.load)}
      />
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Wait for it
        </Button>
      </div>
    </Modal>
  );
}
