import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { core } from "../../engine/core";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Select } from "../../ui/Select";
import { written } from "../../ui/written";
import { type Props, Questions, Told } from "./parts";
import { useBegun } from "./useBegun";

/** Three questions, each with the answers that exist after the ones before it, and a setup that answers them, dialled in. */
export function FromNothing(props: Props) {
  const [wanted, setRegion] = useState("deltoid.middle");
  const [kindWanted, setKind] = useState("cable");
  const [positionWanted, setPosition] = useState("standing");
  const { body } = props.lifter;
  const offered = useQuery({
    queryKey: ["beginnings", body],
    queryFn: async () => (await core()).beginnings(body).ok ?? [],
  });
  const list = offered.data ?? [];
  const of = list.find((b) => b.region.key === wanted) ?? list[0];
  const of2 = of?.kinds.find((k) => k.kind === kindWanted) ?? of?.kinds[0];
  const at = of2?.positions.find((p) => p.key === positionWanted) ?? of2?.positions[0];
  const asked = of && of2 && at ? { region: of.region.key, kind: of2.kind, position: at.key } : null;
  const begun = useBegun(props.lifter, props.room, asked);
  const units = useUnits();
  const { document, found, share } = begun;
  return (
    <Questions>
      <div className="asked">
        <Select
          label="What is it for?"
          options={list.map((b) => b.region)}
          value={asked?.region ?? wanted}
          onChange={setRegion}
        />
        <Select
          label="With what?"
          options={of?.kinds.map((k) => ({ key: k.kind, label: k.label })) ?? []}
          value={asked?.kind ?? kindWanted}
          onChange={setKind}
        />
        <Select
          label="In what position?"
          options={of2?.positions ?? []}
          value={asked?.position ?? positionWanted}
          onChange={setPosition}
        />
      </div>
      <Told problems={begun.problems} />
      {document && (
        <div className="begun">
          <SetupPicture document={found?.document ?? document} width={280} height={210} line />
          <div role="status">
            {share !== null && <p>Dialling it in: {Math.round(100 * share)}%</p>}
            {share === null && found && (
              <>
                <p>
                  Dialled in: fit {Math.round(found.fit)}
                  {begun.before && `, ${Math.round(begun.before.fit)} as it came`}.
                </p>
                <ul>
                  {found.changes.map((c) => (
                    <li key={c.key}>
                      {c.label} {written(c.to, c.kind, units)}, instead of {written(c.from, c.kind, units)}
                    </li>
                  ))}
                </ul>
              </>
            )}
            {share === null && !found && <p>{begun.why}</p>}
          </div>
        </div>
      )}
      <Button
        look="strong"
        isDisabled={!document}
        onPress={() => document && void props.pick(found?.document ?? document).then(props.close)}
      >
        {document && share !== null ? "Start without waiting" : "Start"}
      </Button>
    </Questions>
  );
}
