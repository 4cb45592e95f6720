import { useSyncExternalStore } from "react";

const phone = matchMedia("(max-width: 700px)");

const listen = (told: () => void) => {
  phone.addEventListener("change", told);
  return () => phone.removeEventListener("change", told);
};

/** Whether the window is as narrow as a phone, where one thing stands at a time. */
export const useNarrow = (): boolean => useSyncExternalStore(listen, () => phone.matches);
