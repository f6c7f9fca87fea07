import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, told } from "./client";
import type { components } from "./schema";

type Schemas = components["schemas"];

export const useVocabulary = () =>
  useQuery({ queryKey: ["vocabulary"], queryFn: () => told(api.GET("/api/vocabulary")), staleTime: Infinity });

export const useCustomers = () =>
  useQuery({ queryKey: ["customers"], queryFn: () => told(api.GET("/api/customers")), staleTime: 60_000 });

/** Keeps showing the last answer while the next one is on its way, and when a half-typed line cannot be read yet. */
export const useIdentification = (request: Schemas["IdentifyRequest"]) =>
  useQuery({
    queryKey: ["identify", request],
    queryFn: () => told(api.POST("/api/identify", { body: request })),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const usePlan = (request: Schemas["PlanRequest"] | null) =>
  useQuery({
    queryKey: ["plan", request],
    queryFn: () => told(api.POST("/api/plan", { body: request! })),
    enabled: request !== null,
    placeholderData: request === null ? undefined : keepPreviousData,
    retry: false,
  });

export const useOrders = () =>
  useQuery({ queryKey: ["orders"], queryFn: () => told(api.GET("/api/orders")) });

export const useOrder = (id: number) =>
  useQuery({
    queryKey: ["orders", id],
    queryFn: () => told(api.GET("/api/orders/{id}", { params: { path: { id } } })),
    retry: false,
  });

export const useOpenTickets = () =>
  useQuery({ queryKey: ["tickets"], queryFn: () => told(api.GET("/api/tickets")) });

export const useSightings = () =>
  useQuery({ queryKey: ["sightings"], queryFn: () => told(api.GET("/api/sightings")) });
