import { useState } from "react";
import styled from "styled-components";
import { Button } from "../ui/Button";
import { TextInput } from "../ui/Field";
import { Select } from "../ui/Select";
import type { Connection } from "./connection";
import { addressProblem, useConnection, useDeviceList } from "./useDevices";

const Box = styled.div`
  display: grid;
  gap: 6px;
  .state { font-size: 12px; color: var(--quiet); }
  .state[data-bad="true"] { color: var(--brick); }
  .row { display: flex; gap: 6px; align-items: end; flex-wrap: wrap; }
`;

/** A device that is picked, and how it stands. */
export type Picked = { url: string; pick: (url: string) => void; connection: Connection | undefined };

/** A place for one device; nothing is connected until one is picked. */
export function usePicked(): Picked {
  const [url, pick] = useState("");
  const { list } = useDeviceList();
  const name = list.find((d) => d.url === url)?.name ?? url;
  return { url, pick, connection: useConnection(name, url) };
}

type Props = { label: string /** What there is beside devices, like typing. */; none: string; picked: Picked };

/** Picks a device, says how it stands, and brings one back that is gone. */
export function DevicePicker({ label, none, picked: { url, pick, connection } }: Props) {
  const { list, add } = useDeviceList();
  const [typing, setTyping] = useState(false);
  const [address, setAddress] = useState("");
  const problem = address === "" ? undefined : addressProblem(address);
  const options = [
    { key: "", label: none },
    ...list.map((d) => ({ key: d.url, label: d.name })),
    { key: "other", label: "Another device …" },
  ];
  return (
    <Box>
      <Select
        label={label}
        options={options}
        value={typing ? "other" : url}
        onChange={(key) => {
          setTyping(key === "other");
          if (key !== "other") pick(String(key));
        }}
      />
      {typing && (
        <div className="row">
          <TextInput label="Its address" value={address} onChange={setAddress} error={problem} />
          <Button
            isDisabled={address === "" || !!problem}
            onPress={() => {
              add(address);
              pick(address);
              setTyping(false);
            }}
          >
            Connect
          </Button>
        </div>
      )}
      {connection && (
        <p className="state" role="status" data-bad={connection.status === "gone" || connection.status === "refused"}>
          {stateOf(connection)}{" "}
          {connection.status === "gone" && (
            <Button look="link" onPress={() => connection.again()}>
              Connect again
            </Button>
          )}
        </p>
      )}
    </Box>
  );
}

function stateOf(c: Connection): string {
  const channels = c.channels.map((x) => `${x.key} in ${x.unit}`);
  const sends = channels.length > 3 ? `${channels.length} channels` : channels.join(", ");
  switch (c.status) {
    case "connecting":
      return "Connecting …";
    case "ready":
      return `Ready: ${sends}, ${c.channels[0]?.rate} a second.`;
    case "running":
      return `Reading: ${sends}.`;
  }
  return c.why;
}
