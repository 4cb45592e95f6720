import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, settled } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { fitted } from "./fitted";
import { holds, List, type Props } from "./parts";

/** A setup that was saved for anybody, for this lifter's body. */
export function SavedOnes(props: Props) {
  const [wanted, setWanted] = useState("");
  const saved = useQuery({
    queryKey: ["setups", "all"],
    queryFn: () => settled(client.GET("/api/setups", { params: { query: { limit: 200 } } })),
  });
  const lifters = useQuery({
    queryKey: ["lifters"],
    queryFn: () => settled(client.GET("/api/lifters", { params: { query: { limit: 200 } } })),
  });
  const whose = (id: string) => lifters.data?.items?.find((l) => l.id === id)?.name ?? "";
  const found = (saved.data?.items ?? []).filter((s) => holds(`${s.name} ${whose(s.lifterId)}`, wanted));
  return (
    <>
      {saved.isPending && <p role="status">Loading …</p>}
      {saved.error && <p role="alert">The saved setups could not be loaded.</p>}
      {saved.data && <TextInput label="Find" value={wanted} onChange={setWanted} />}
      <List>
        <ul>
          {found.map((s) => (
            <li key={s.id}>
              <span>
                {s.name}
                <small>{whose(s.lifterId)}</small>
              </span>
              <Button
                aria-label={`Begin: ${s.name}, ${whose(s.lifterId)}`}
                onPress={() =>
                  void fitted({ ...s.document, lifter: props.lifter.body }, props.room)
                    .then(props.pick)
                    .then(props.close)
                }
              >
                Begin
              </Button>
            </li>
          ))}
        </ul>
        {saved.data && found.length === 0 && <p>Nothing here is called that.</p>}
      </List>
    </>
  );
}
