import { useState } from "react";
import { core } from "../../engine/core";
import type { Problem, SetupDocument } from "../../engine/types";
import { Button } from "../../ui/Button";
import { type Props, Questions, Told } from "./parts";

/** A setup document from a file, as the bench exports it. */
export function FromFile(props: Props) {
  const [problems, setProblems] = useState<Problem[]>([]);
  const [found, setFound] = useState<SetupDocument | null>(null);
  const read = async (file: File | undefined) => {
    setFound(null);
    setProblems([]);
    if (!file) return;
    const text = await file.text();
    const answer = (await core()).evaluate(text);
    if (answer.problems) setProblems(answer.problems);
    else setFound(JSON.parse(text) as SetupDocument);
  };
  const kept = found && JSON.stringify(found.lifter) === JSON.stringify(props.lifter.body);
  return (
    <Questions>
      <label>
        A setup as the bench exports it
        <input type="file" accept=".json,application/json" onChange={(e) => void read(e.target.files?.[0])} />
      </label>
      <Told problems={problems} />
      {found && (
        <>
          <p>
            {found.name}
            {!kept && `, which was made for ${found.lifter.height} m and ${found.lifter.bodyMass} kg.`}
          </p>
          <Button onPress={() => void props.pick(found).then(props.close)}>Use as it is</Button>
          {!kept && (
            <Button
              look="quiet"
              onPress={() => void props.pick({ ...found, lifter: props.lifter.body }).then(props.close)}
            >
              Use the body of {props.lifter.name}
            </Button>
          )}
        </>
      )}
    </Questions>
  );
}
