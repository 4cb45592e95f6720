import { useQuery } from "@tanstack/react-query";
import { client, settled } from "../api/client";

/** The coach's rooms. */
export const useRooms = () =>
  useQuery({
    queryKey: ["rooms"],
    queryFn: () => settled(client.GET("/api/rooms", { params: { query: { limit: 200 } } })),
  });
