import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { core } from "../../engine/core";
import type { Problem } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Select } from "../../ui/Select";
import { fitted } from "./fitted";
import { type Props, Questions, Told } from "./parts";

/** Three questions, each with the answers that exist after the ones before it, and a setup that answers them. */
export function FromNothing(props: Props) {
  const [wanted, setRegion] = useState("deltoid.middle");
  const [kindWanted, setKind] = useState("cable");
  const [positionWanted, setPosition] = useState("standing");
  const [problems, setProblems] = useState<Problem[]>([]);
  const { body } = props.lifter;
  const offered = useQuery({
    queryKey: ["beginnings", body],
    queryFn: async () => (await core()).beginnings(body).ok ?? [],
  });
  const list = offered.data ?? [];
  const of = list.find((b) => b.region.key === wanted) ?? list[0];
  const of2 = of?.kinds.find((k) => k.kind === kindWanted) ?? of?.kinds[0];
  const at = of2?.positions.find((p) => p.key === positionWanted) ?? of2?.positions[0];
  const [region, kind, position] = [of?.region.key ?? wanted, of2?.kind ?? kindWanted, at?.key ?? positionWanted];
  const begin = async () => {
    const answer = (await core()).begin(body, region, kind, position);
    setProblems(answer.problems ?? []);
    if (answer.ok) await fitted(answer.ok, props.room).then(props.pick).then(props.close);
  };
  return (
    <Questions>
      <Select label="What is it for?" options={list.map((b) => b.region)} value={region} onChange={setRegion} />
      <Select
        label="With what?"
        options={of?.kinds.map((k) => ({ key: k.kind, label: k.label })) ?? []}
        value={kind}
        onChange={setKind}
      />
      <Select label="In what position?" options={of2?.positions ?? []} value={position} onChange={setPosition} />
      <Told problems={problems} />
      <Button onPress={() => void begin()}>Start</Button>
    </Questions>
  );
}
