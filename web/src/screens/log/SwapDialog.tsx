import { useQuery } from "@tanstack/react-query";
import { aside } from "../../engine/aside";
import type { Session, Swap } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useRooms } from "../../state/rooms";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { List, Pictured } from "../begin/parts";

type Entry = Session["entries"][number];

type Props = { entry: Entry; gym?: string; close: () => void; swap: (entry: Entry, load: number) => void };

/** The exercises that can stand in for one, with less on a joint if one is named; null asks for none. */
export function useInstead({ document }: Entry, gym: string | undefined, joint: string | null) {
  const rooms = useRooms();
  const room = rooms.data?.items.find((r) => r.id === (gym ?? document.gym));
  const place = [room ? JSON.stringify(room.document) : "", room?.id ?? ""] as const;
  return useQuery({
    queryKey: ["instead", document, place, joint],
    queryFn: ({ signal }) => aside(signal, "instead", JSON.stringify(document), document.lifter, ...place, joint ?? ""),
    enabled: !rooms.isPending && joint !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
}

/** That nothing is known of what can stand in. */
export function NotLooked({ error }: { error: Error | null }) {
  return error && <p role="alert">It could not be looked for: {error.message}</p>;
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
export function SwapDialog({ entry, gym, close, swap }: Props) {
  const units = useUnits();
  const { data: found, isPending, error } = useInstead(entry, gym, "");
  return (
    <Modal title={`Instead of ${entry.document.name}`} open onClose={close}>
      {isPending && <p role="status">Looking for what comes nearest …</p>}
      <NotLooked error={error} />
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
