import { Button } from "../../ui/Button";
import { FindSaved, type ForSaved } from "./FindSaved";
import { fitted } from "./fitted";
import type { Props } from "./parts";

/** Begins a saved setup of anybody with this lifter's body, in the room. */
export const beginning =
  ({ lifter, room, pick, close }: Props): ForSaved =>
  (s, whose) => (
    <Button
      aria-label={`Start from: ${s.name}, ${whose}`}
      onPress={() =>
        void fitted({ ...s.document, lifter: lifter.body }, room)
          .then((d) => pick(d, s.lifterId === lifter.id ? { id: s.id, version: s.version } : undefined))
          .then(close)
      }
    >
      Start
    </Button>
  );

/** A setup that was saved for anybody, for this lifter's body. */
export const SavedOnes = (props: Props) => <FindSaved none="Nothing is saved yet." action={beginning(props)} />;
