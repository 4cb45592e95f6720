import { useParams } from "react-router";
import type { StrengthTest } from "../../../engine/types";
import { ForLifter } from "../ForLifter";
import { StrengthTrials } from "./StrengthTrials";

/** Isometric tests of a lifter's strength in one action. */
export function StrengthScreen() {
  const { action = "shoulder.abduction" } = useParams();
  return (
    <ForLifter>
      {(core, lifter, setups) => (
        <StrengthTrials
          key={lifter.id + action}
          core={core}
          lifter={lifter}
          setups={setups}
          action={action as StrengthTest["action"]}
        />
      )}
    </ForLifter>
  );
}
