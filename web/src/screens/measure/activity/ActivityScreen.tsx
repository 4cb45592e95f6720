import { ForLifter } from "../ForLifter";
import { ActivityBench } from "./ActivityBench";

/** Muscle activity of a lifter: what electrodes recorded, over the range and beside the model. */
export const ActivityScreen = () => (
  <ForLifter>
    {(core, lifter, setups) => <ActivityBench key={lifter.id} core={core} lifter={lifter} setups={setups} />}
  </ForLifter>
);
