import type { Lifter, Member } from "../../engine/types";
import { Button } from "../../ui/Button";

/** What every way to find setups gets. */
export type Finding = {
  /** Takes a setup into the comparison. */
  add: (member: Member) => void;
  /** Whose body the first setup is for, who is the likeliest to be looked for. */
  body?: Lifter;
  /** The letter of a setup that is in it; null for others. */
  calledBy: (document: Member["document"]) => string | null;
};

/** The button that takes a setup in, or says under which letter it is in. */
export function AddOne({ member, add, calledBy }: Finding & { member: Member }) {
  const called = calledBy(member.document);
  return (
    <Button aria-label={`Compare: ${member.document.name}`} isDisabled={called !== null} onPress={() => add(member)}>
      {called === null ? "Compare" : `Is ${called}`}
    </Button>
  );
}
