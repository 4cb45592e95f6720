import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { core } from "../../engine/core";
import type { Problem } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Select } from "../../ui/Select";
import { fitted } from "./fitted";
import { type Props, Questions, Told } from "./parts";
import { useReady } from "./useReady";

const kinds = [
  { key: "cable", label: "Cable" },
  { key: "dumbbell", label: "Dumbbells" },
  { key: "bar", label: "One weight in both hands" },
  { key: "band", label: "Band" },
  { key: "machine", label: "Machine" },
];

/** Three questions, and a setup that answers them. */
export function FromNothing(props: Props) {
  const [region, setRegion] = useState("deltoid.middle");
  const [kind, setKind] = useState("cable");
  const [position, setPosition] = useState("standing");
  const [problems, setProblems] = useState<Problem[]>([]);
  const regions = useQuery({ queryKey: ["regions"], queryFn: async () => (await core()).regions().ok ?? [] });
  const ready = useReady(props.lifter, null);
  const first = ready.data?.ok?.[0]?.document;
  const choices = useQuery({
    queryKey: ["positions"],
    enabled: first !== undefined,
    queryFn: async () => (await core()).choices(JSON.stringify(first)).ok ?? null,
  });
  const begin = async () => {
    const answer = (await core()).begin(props.lifter.body, region, kind, position);
    setProblems(answer.problems ?? []);
    if (answer.ok) await fitted(answer.ok, props.room).then(props.pick).then(props.close);
  };
  return (
    <Questions>
      <Select label="What is it for?" options={regions.data ?? []} value={region} onChange={setRegion} />
      <Select label="With what?" options={kinds} value={kind} onChange={setKind} />
      <Select
        label="In what position?"
        options={choices.data?.positions ?? []}
        value={position}
        onChange={setPosition}
      />
      <Told problems={problems} />
      <Button onPress={() => void begin()}>Start</Button>
    </Questions>
  );
}
