import { useQuery } from "@tanstack/react-query";
import { useEffect, useState, useSyncExternalStore } from "react";
import { asked } from "../api/client";
import { kept } from "../state/kept";
import { Connection } from "./connection";

/** Devices that the coach named by their address; this browser remembers them. */
const own = kept("dialarc.devices", (stored): { name: string; url: string }[] => (Array.isArray(stored) ? stored : []));

/** The devices that there are: those the program was started with, and the coach's own. */
export function useDeviceList() {
  const told = useQuery(asked("get", "/api/devices"));
  const mine = own.use();
  const add = (url: string) => own.set([...own.now().filter((d) => d.url !== url), { name: url, url }]);
  return { list: [...(told.data ?? []), ...mine], add };
}

/** The connection to a device while it is shown; none for an empty address. */
export function useConnection(name: string, url: string): Connection | undefined {
  const [connection, setConnection] = useState<Connection>();
  useEffect(() => {
    if (url === "") return setConnection(undefined);
    const c = new Connection(name, url);
    setConnection(c);
    return () => c.close();
  }, [name, url]);
  useSyncExternalStore(connection?.subscribe ?? never, connection?.state ?? nothing);
  return connection;
}

const never = () => () => {};
const nothing = () => 0;

/** What is wrong with an address of a device, if anything. */
export function addressProblem(url: string): string | undefined {
  try {
    const { protocol, hostname } = new URL(url);
    if (protocol !== "ws:" && protocol !== "wss:")
      return "Give an address that begins with ws://, like ws://127.0.0.1:4390.";
    if (!["127.0.0.1", "localhost"].includes(hostname))
      return "Devices on another machine are named when the program is started: dialarc serve --device NAME=URL.";
    return undefined;
  } catch {
    return "Give an address like ws://127.0.0.1:4390.";
  }
}
