import { useState } from "react";
import type { Kept } from "../../engine/types";
import { letter, withMember } from "../../state/picked";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { notify } from "../../ui/Notices";
import { Segments } from "../../ui/Select";
import { FindSaved } from "../begin/FindSaved";
import { AddOne, type Finding } from "./AddOne";
import { PartnersOf, RankedOnes } from "./RankedOnes";

const ways = [
  { key: "saved", label: "Saved" },
  { key: "region", label: "By muscle" },
];

const partner = { key: "partner", label: "What A leaves out" };

/**
 * Finds setups for a comparison: saved ones, ready ones by how they load a region, or what the first leaves out. It stays open
 * for several.
 */
export function AddSetups({ kept, change, close }: { kept: Kept; change: (kept: Kept) => void; close: () => void }) {
  const [way, setWay] = useState("saved");
  const first = kept.setups[0];
  const texts = kept.setups.map((m) => JSON.stringify(m.document));
  const finding: Finding = {
    body: first?.document.lifter,
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
      <Segments label="Find them" options={first ? [...ways, partner] : ways} value={way} onChange={setWay} />
      {way === "saved" && (
        <FindSaved
          none="Nothing is saved yet: begin a setup with a lifter."
          action={(s) => <AddOne {...finding} member={{ document: s.document, setupId: s.id }} />}
        />
      )}
      {way === "region" && <RankedOnes {...finding} />}
      {way === "partner" && first && <PartnersOf {...finding} member={first} called="A" />}
      <div className="actions">
        <Button look="strong" onPress={close}>
          Done
        </Button>
      </div>
    </Modal>
  );
}
