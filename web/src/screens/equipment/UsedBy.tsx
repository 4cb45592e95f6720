import { asked } from "../../api/client";
import type { StoredSetup } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";

type Users = { items: StoredSetup[]; total: number };

/** What is to go, what uses it, and how it goes. */
export type Removal = { name: string; used: Users; run: () => void };

/** The setups that are fitted to a room, or that use one thing of it. */
export const usersOf = (roomId: string, item: string | undefined) =>
  asked("get", "/api/setups", { params: { query: { roomId, item, limit: 12 } } });

/** Says which setups use what is to be taken away. They keep their geometry either way. */
export function UsedBy({ removal, close }: { removal: Removal; close: () => void }) {
  const { name, used, run } = removal;
  const more = used.total - used.items.length;
  return (
    <Modal title={`${used.total === 1 ? "One setup uses" : `${used.total} setups use`} ${name}`} open onClose={close}>
      <ul>
        {used.items.map((s) => (
          <li key={s.id}>{s.name}</li>
        ))}
      </ul>
      {more > 0 && <p>and {more} more.</p>}
      <p>They stay as they are and will say that the gym no longer has it.</p>
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Keep
        </Button>
        <Button
          look="strong"
          onPress={() => {
            close();
            run();
          }}
        >
          Remove it
        </Button>
      </div>
    </Modal>
  );
}
