import { ForLifter } from "../ForLifter";
import { PhotoBench } from "./PhotoBench";

/** Lengths, angles and cams from a photograph. */
export const PhotoScreen = () => (
  <ForLifter>
    {(core, lifter, setups) => <PhotoBench key={lifter.id} core={core} lifter={lifter} setups={setups} />}
  </ForLifter>
);
