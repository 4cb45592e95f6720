import { useQuery } from "@tanstack/react-query";
import { asked } from "../api/client";

/** The coach's rooms. */
export const useRooms = () => useQuery(asked("get", "/api/rooms", { params: { query: { limit: 200 } } }));
