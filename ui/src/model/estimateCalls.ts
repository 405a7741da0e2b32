import type { components } from './api.d';
import { client, ok, raw } from './http';

type Schemas = components['schemas'];
export type WeatherFile = Schemas['WeatherFileView'];
export type Climate = Schemas['ClimateView'];
export type RunSettings = Schemas['RunSettings'];
export type EstimateRun = Schemas['EstimateRunView'];
export type Estimate = Schemas['EstimateView'];
export type SpaceEstimate = Schemas['SpaceEstimateView'];
export type Hours = Schemas['HoursView'];
export type Junctions = Schemas['JunctionsView'];
export type Junction = Schemas['JunctionView'];
export type Sunlight = Schemas['SunlightView'];

/** Calls about weather and estimates. */
export const estimateCalls = {
  weatherFiles: () => ok(client.GET('/api/weather')),
  addWeather: (project: string, file: File) =>
    ok(
      client.POST('/api/projects/{id}/weather', {
        params: { path: { id: project }, query: { name: file.name } },
        ...raw(file),
      }),
    ),
  chooseWeather: (project: string, weather: string) =>
    ok(
      client.PUT('/api/projects/{id}/weather', {
        params: { path: { id: project } },
        body: { weather },
      }),
    ),
  climate: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/climate', { params: { path: { id: delivery } } })),
  estimateSettings: (project: string) =>
    ok(client.GET('/api/projects/{id}/estimate-settings', { params: { path: { id: project } } })),
  setEstimate: (project: string, settings: RunSettings) =>
    ok(
      client.PUT('/api/projects/{id}/estimate-settings', {
        params: { path: { id: project } },
        body: settings,
      }),
    ),
  runs: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/estimates', { params: { path: { id: delivery } } })),
  runEstimate: (delivery: string, name: string, assumeMissing: boolean) =>
    ok(
      client.POST('/api/deliveries/{id}/estimates', {
        params: { path: { id: delivery } },
        body: { name, assumeMissing },
      }),
    ),
  estimate: (run: string) =>
    ok(client.GET('/api/estimates/{run}/result', { params: { path: { run } } })),
  endRun: (run: string) => ok(client.DELETE('/api/estimates/{run}', { params: { path: { run } } })),
  hours: (run: string, space: string, from: number) =>
    ok(
      client.GET('/api/estimates/{run}/hours', {
        params: { path: { run }, query: { space, from } },
      }),
    ),
  junctions: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/junctions', { params: { path: { id: delivery } } })),
  sunlight: (delivery: string, month: number, hour: number) =>
    ok(
      client.GET('/api/deliveries/{id}/sunlight', {
        params: { path: { id: delivery }, query: { month, hour } },
      }),
    ),
};
