import { useEffect } from "react";
import { core } from "../../engine/core";
import { anyUnsent, sendKept } from "./box";

const every = 5000; // ms

/** Sends sets that were logged while there was no network, whichever screen is open. */
export function useLogOutbox(): void {
  useEffect(() => {
    let timer = 0;
    let gone = false;
    const again = async () => {
      try {
        if (await anyUnsent()) await sendKept(await core());
      } catch {
        // tried again with the next round
      }
      if (!gone) timer = window.setTimeout(again, every);
    };
    void again();
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, []);
}
