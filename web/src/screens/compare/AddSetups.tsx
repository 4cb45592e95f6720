import { useState } from "react";
import type { Kept, Member } from "../../engine/types";
import { letter, withMember } from "../../state/picked";
import { Button } from "../../ui/Button";
import { Segments } from "../../ui/Choice";
import { Modal } from "../../ui/Modal";
import { notify } from "../../ui/Notices";
import { RankedOnes } from "./RankedOnes";
import { SavedToCompare } from "./SavedToCompare";

const ways = [
  { key: "saved", label: "Saved" },
  { key: "region", label: "By region" },
];

/** What every way to find setups gets. */
export type Finding = {
  /** Takes a setup into the comparison. */
  add: (member: Member) => void;
  /** The letter of a setup that is in it; null for others. */
  calledBy: (document: Member["document"]) => string | null;
};

/** Finds setups for a comparison: saved ones, or ready ones by how they load a region. It stays open for several. */
export function AddSetups({ kept, change, close }: { kept: Kept; change: (kept: Kept) => void; close: () => void }) {
  const [way, setWay] = useState("saved");
  const texts = kept.setups.map((m) => JSON.stringify(m.document));
  const finding: Finding = {
    add: (member) => {
      const answer = withMember(kept, member);
      if ("why" in answer) notify(answer.why);
      else change(answer.kept);
    },
    calledBy: (document) => {
      const at = texts.indexOf(JSON.stringify(document));
      return at < 0 ? null : letter(at);
    },
  };
  return (
    <Modal title="Add setups" open onClose={close} wide>
      <Segments label="Find them" options={ways} value={way} onChange={setWay} />
      {way === "saved" ? <SavedToCompare {...finding} /> : <RankedOnes {...finding} />}
      <div className="actions">
        <Button look="strong" onPress={close}>
          Done
        </Button>
      </div>
    </Modal>
  );
}

/** The button that takes a setup in, or says under which letter it is in. */
export function AddOne({ member, add, calledBy }: Finding & { member: Member }) {
  const called = calledBy(member.document);
  return (
    <Button aria-label={`Compare: ${member.document.name}`} isDisabled={called !== null} onPress={() => add(member)}>
      {called === null ? "Compare" : `Is ${called}`}
    </Button>
  );
}
