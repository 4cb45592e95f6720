import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, useEffect } from "react";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";
import { Shell } from "./screens/Shell";
import { usePreferences } from "./state/preferences";
import { GlobalStyle } from "./theme/global";
import { Notices } from "./ui/Notices";

// Each screen comes when it is first shown.
const HomeScreen = lazy(() => import("./screens/home/HomeScreen").then((m) => ({ default: m.HomeScreen })));
const LiftersScreen = lazy(() => import("./screens/lifters/LiftersScreen").then((m) => ({ default: m.LiftersScreen })));
const KitScreen = lazy(() => import("./screens/equipment/KitScreen").then((m) => ({ default: m.KitScreen })));
const BenchScreen = lazy(() => import("./screens/workbench/BenchScreen").then((m) => ({ default: m.BenchScreen })));
const EmptyBench = lazy(() => import("./screens/workbench/EmptyBench").then((m) => ({ default: m.EmptyBench })));
const PlanScreen = lazy(() => import("./screens/plan/PlanScreen").then((m) => ({ default: m.PlanScreen })));
const LogScreen = lazy(() => import("./screens/log/LogScreen").then((m) => ({ default: m.LogScreen })));
const SessionScreen = lazy(() => import("./screens/log/SessionScreen").then((m) => ({ default: m.SessionScreen })));
const UnplannedScreen = lazy(() =>
  import("./screens/log/UnplannedScreen").then((m) => ({ default: m.UnplannedScreen })),
);
const ProgressScreen = lazy(() =>
  import("./screens/progress/ProgressScreen").then((m) => ({ default: m.ProgressScreen })),
);
const CardsScreen = lazy(() => import("./screens/cards/CardsScreen").then((m) => ({ default: m.CardsScreen })));
const MeasureScreen = lazy(() => import("./screens/measure/MeasureScreen").then((m) => ({ default: m.MeasureScreen })));
const StrengthScreen = lazy(() =>
  import("./screens/measure/strength/StrengthScreen").then((m) => ({ default: m.StrengthScreen })),
);
const ActivityScreen = lazy(() =>
  import("./screens/measure/activity/ActivityScreen").then((m) => ({ default: m.ActivityScreen })),
);
const PhotoScreen = lazy(() => import("./screens/measure/photo/PhotoScreen").then((m) => ({ default: m.PhotoScreen })));
const StudiesScreen = lazy(() => import("./screens/study/StudiesScreen").then((m) => ({ default: m.StudiesScreen })));
const CompareScreen = lazy(() => import("./screens/compare/CompareScreen").then((m) => ({ default: m.CompareScreen })));

const cache = new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: false } } });

export function App() {
  const { theme } = usePreferences();
  useEffect(() => {
    if (theme === "system") delete document.documentElement.dataset.theme;
    else document.documentElement.dataset.theme = theme;
  }, [theme]);
  return (
    <QueryClientProvider client={cache}>
      <GlobalStyle />
      <BrowserRouter>
        <Routes>
          <Route element={<Shell />}>
            <Route path="/" element={<HomeScreen />} />
            <Route path="/lifters" element={<LiftersScreen />} />
            <Route path="/lifters/:id" element={<LiftersScreen />} />
            <Route path="/kit" element={<KitScreen />} />
            <Route path="/kit/:id" element={<KitScreen />} />
            <Route path="/bench" element={<EmptyBench />} />
            <Route path="/bench/:id" element={<BenchScreen />} />
            <Route path="/plan" element={<PlanScreen />} />
            <Route path="/plan/:id" element={<PlanScreen />} />
            <Route path="/log" element={<LogScreen />} />
            <Route path="/log/:lifterId" element={<UnplannedScreen />} />
            <Route path="/log/:lifterId/:blockId/:week/:day" element={<SessionScreen />} />
            <Route path="/progress" element={<ProgressScreen />} />
            <Route path="/progress/:id" element={<ProgressScreen />} />
            <Route path="/cards/:blockId/:day" element={<CardsScreen />} />
            <Route path="/measure" element={<MeasureScreen />} />
            <Route path="/measure/:id" element={<MeasureScreen />} />
            <Route path="/measure/:id/strength" element={<StrengthScreen />} />
            <Route path="/measure/:id/strength/:action" element={<StrengthScreen />} />
            <Route path="/measure/:id/activity" element={<ActivityScreen />} />
            <Route path="/measure/:id/photo" element={<PhotoScreen />} />
            <Route path="/measure/studies" element={<StudiesScreen />} />
            <Route path="/measure/studies/:id" element={<StudiesScreen />} />
            <Route path="/compare" element={<CompareScreen />} />
            <Route path="/compare/:id" element={<CompareScreen />} />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Route>
        </Routes>
      </BrowserRouter>
      <Notices />
    </QueryClientProvider>
  );
}
