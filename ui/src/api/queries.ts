import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, told } from "./client";

export type TicketState = "open" | "closed" | "ordered" | "any";

export const useVocabulary = () =>
  useQuery({ queryKey: ["vocabulary"], queryFn: () => told(api.GET("/api/vocabulary")), staleTime: Infinity });

export const useCustomers = () =>
  useQuery({ queryKey: ["customers"], queryFn: () => told(api.GET("/api/customers")), staleTime: 60_000 });

export const useOrders = (q: string, page: number) =>
  useQuery({
    queryKey: ["orders", "list", q, page],
    queryFn: () => told(api.GET("/api/orders", { params: { query: { q, page } } })),
    placeholderData: keepPreviousData,
  });

/** With a version, the order as it was. */
export const useOrder = (id: number, version: number | null = null) =>
  useQuery({
    queryKey: ["orders", id, version],
    queryFn: () =>
      version === null
        ? told(api.GET("/api/orders/{id}", { params: { path: { id } } }))
        : told(api.GET("/api/orders/{id}/versions/{version}", { params: { path: { id, version } } })),
    retry: false,
  });

export const useTickets = (state: TicketState, q: string, page: number) =>
  useQuery({
    queryKey: ["tickets", state, q, page],
    queryFn: () => told(api.GET("/api/tickets", { params: { query: { state, q, page } } })),
    placeholderData: keepPreviousData,
  });

export const useSightings = () =>
  useQuery({ queryKey: ["sightings"], queryFn: () => told(api.GET("/api/sightings")) });
