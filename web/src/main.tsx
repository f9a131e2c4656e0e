import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider, createBrowserRouter } from "react-router";

import { queryClient } from "./api/queries";
import { Broken } from "./parts/Broken";
import { Notices } from "./parts/Notices";
import { lamp, setLamp } from "./state/playhead";
import { Bench } from "./views/bench/Bench";
import { Continuity } from "./views/continuity/Continuity";
import { Delivery } from "./views/delivery/Delivery";
import { FilmFrame, ToSheet } from "./views/FilmFrame";
import { Screening } from "./views/screening/Screening";
import { Script } from "./views/script/Script";
import { Sheet } from "./views/Sheet";
import { Mix } from "./views/mix/Mix";
import { Services } from "./views/services/Services";
import { Shelf } from "./views/shelf/Shelf";
import "./styles.css";

setLamp(lamp.get());

const router = createBrowserRouter([
  { path: "/", element: <Shelf />, errorElement: <Broken /> },
  { path: "/services", element: <Services />, errorElement: <Broken /> },
  {
    path: "/film/:film",
    element: <FilmFrame />,
    errorElement: <Broken />,
    children: [
      { index: true, element: <ToSheet /> },
      { path: "script", element: <Script /> },
      { path: "continuity", element: <Continuity /> },
      { path: "sheet", element: <Sheet /> },
      { path: "bench", element: <Bench /> },
      { path: "mix", element: <Mix /> },
      { path: "screening", element: <Screening /> },
      { path: "delivery", element: <Delivery /> },
    ],
  },
  { path: "*", element: <Shelf /> },
]);

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={router} />
      <Notices />
    </QueryClientProvider>
  </StrictMode>,
);
