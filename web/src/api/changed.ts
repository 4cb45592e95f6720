import type { QueryClient } from "@tanstack/react-query";

/** What the server keeps, each with the addresses whose answers tell of it. */
const tellOf = {
  lifters: ["/api/lifters", "/api/setups", "/api/blocks", "/api/sessions"], // with a lifter goes all that is theirs
  setups: ["/api/setups"],
  rooms: ["/api/rooms"],
  blocks: ["/api/blocks", "/api/lifters"],
  comparisons: ["/api/comparisons"],
  captures: ["/api/lifters"],
  studies: ["/api/studies"],
};

export type Kind = keyof typeof tellOf;

/** Has everything asked again that tells of something that was written; it comes to an end when what is shown now is there. */
export function changed(cache: QueryClient, what: Kind): Promise<void> {
  return cache.invalidateQueries({
    predicate: ({ queryKey: [, address] }) =>
      typeof address === "string" && tellOf[what].some((a) => address === a || address.startsWith(`${a}/`)),
  });
}

/** What is kept at an address: setups at /api/setups/{id}. */
export const keptAt = (address: `/api/${Kind}/{id}`): Kind => address.split("/")[2] as Kind;
