import type { Pain, Session } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { StatusIcon } from "../../ui/StatusIcon";
import { NotLooked, Swaps, standIn, useInstead } from "./SwapDialog";

type Entry = Session["entries"][number];

type Props = {
  pain: Pain;
  entry: Entry;
  gym?: string;
  close: () => void;
  leave: () => void;
  swap: (entry: Entry, load: number) => void;
};

/** Joints of the model that bear what hurts; the rest has no number. */
const modelled = ["shoulder", "elbow", "hip", "knee"];

/** A pain that should end the exercise: the caution first, then what is gentler on that joint. Never a diagnosis. */
export function PainCaution({ pain, entry, gym, close, leave, swap }: Props) {
  const units = useUnits();
  const joint = modelled.includes(pain.joint) ? pain.joint : null;
  const { data: found, isPending, error } = useInstead(entry, gym, joint);
  return (
    <Modal title={`Pain at the ${pain.joint}, ${pain.level} of 10${pain.sharp ? ", sharp" : ""}`} open onClose={close}>
      <p>
        <StatusIcon tone="error" /> Stop this exercise for today. Pain that is sharp, that stays, or that comes with
        numbness is for a licensed professional to look at. It is written down for your coach.
      </p>
      <div className="actions">
        <Button look="strong" onPress={leave}>
          Leave the exercise
        </Button>
      </div>
      {joint && (
        <>
          <p>Gentler on the {joint} for the same muscle, by the force across the joint, if it does not hurt there:</p>
          {isPending && <p role="status">Looking …</p>}
          <NotLooked error={error} />
          {found?.length === 0 && <p>Nothing in this gym loads it less.</p>}
          <Swaps
            found={(found ?? []).slice(0, 3)}
            about={(s) => `${units.text(s.force, "force")} across the ${joint}, now ${units.text(s.now, "force")}`}
            label="Try it"
            says={(s) => `Try it: ${s.name}`}
            take={(s) => swap(standIn(entry, s), s.load)}
          />
        </>
      )}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Close
        </Button>
      </div>
    </Modal>
  );
}
