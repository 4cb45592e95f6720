import { useEffect } from "react";
import { core } from "../../engine/core";
import { useRepeat } from "../../ui/useRepeat";
import { anyUnsent, sendKept } from "./box";

const every = 4000; // ms

const sendUnsent = async () => {
  try {
    if (await anyUnsent()) await sendKept(await core());
  } catch {
    // tried again with the next round
  }
};

/** Sends sets that were logged while there was no network, whichever screen is open. */
export function useLogOutbox(): void {
  useRepeat(sendUnsent, every);
  useEffect(() => {
    window.addEventListener("online", sendUnsent);
    return () => window.removeEventListener("online", sendUnsent);
  }, []);
}
