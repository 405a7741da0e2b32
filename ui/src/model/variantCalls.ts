import type { components } from './api.d';
import { client, ok } from './http';

type Schemas = components['schemas'];
export type Variants = Schemas['VariantsView'];
export type Variant = Schemas['VariantView'];
export type VariantSpec = Schemas['VariantSpec'];
export type VariantRun = Schemas['RunView'];
export type VariantFigures = Schemas['FiguresView'];
export type ChangeSpec = Schemas['ChangeSpec'];
export type Change = ChangeSpec['change'];
export type Choices = Schemas['ChoicesView'];
export type TargetSpec = Schemas['TargetSpec'];
export type MetricKind = Schemas['MetricKind'];
export type Metric = MetricKind['metric'];
export type SweepRequest = Schemas['SweepWish'];
export type Sweep = Schemas['SweptView'];
export type Facing = Choices['sides'][number]['facing'];

/** Calls about variants, targets and sweeps. */
export const variantCalls = {
  variants: (delivery: string, assumeMissing: boolean) =>
    ok(
      client.GET('/api/deliveries/{id}/variants', {
        params: { path: { id: delivery }, query: { assumeMissing } },
      }),
    ),
  changeChoices: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/change-choices', { params: { path: { id: delivery } } })),
  addVariant: (project: string, body: VariantSpec) =>
    ok(client.POST('/api/projects/{id}/variants', { params: { path: { id: project } }, body })),
  changeVariant: (variant: string, body: VariantSpec) =>
    ok(client.PUT('/api/variants/{variant}', { params: { path: { variant } }, body })),
  deleteVariant: (variant: string) =>
    ok(client.DELETE('/api/variants/{variant}', { params: { path: { variant } } })),
  setTargets: (project: string, targets: TargetSpec[]) =>
    ok(
      client.PUT('/api/projects/{id}/targets', {
        params: { path: { id: project } },
        body: { targets },
      }),
    ),
  runVariants: (delivery: string, variants: string[], assumeMissing: boolean) =>
    ok(
      client.POST('/api/deliveries/{id}/variants/runs', {
        params: { path: { id: delivery } },
        body: { variants, assumeMissing },
      }),
    ),
  stopVariants: (delivery: string) =>
    ok(client.DELETE('/api/deliveries/{id}/variants/runs', { params: { path: { id: delivery } } })),
  variantRepair: (delivery: string, variant: string) =>
    ok(
      client.GET('/api/deliveries/{id}/variants/{variant}/repair', {
        params: { path: { id: delivery, variant } },
      }),
    ),
  adoptVariant: (delivery: string, variant: string, basedOn: number) =>
    ok(
      client.POST('/api/deliveries/{id}/variants/{variant}/baseline', {
        params: { path: { id: delivery, variant } },
        body: { basedOn },
      }),
    ),
  askSweep: (delivery: string, body: SweepRequest) =>
    ok(client.POST('/api/deliveries/{id}/sweeps', { params: { path: { id: delivery } }, body })),
  sweepOf: (sweep: string) =>
    ok(client.GET('/api/sweeps/{sweep}', { params: { path: { sweep } } })),
  stopSweep: (sweep: string) =>
    ok(client.POST('/api/sweeps/{sweep}/stop', { params: { path: { sweep } } })),
  resumeSweep: (sweep: string) =>
    ok(client.POST('/api/sweeps/{sweep}/go-on', { params: { path: { sweep } } })),
  deleteSweep: (sweep: string) =>
    ok(client.DELETE('/api/sweeps/{sweep}', { params: { path: { sweep } } })),
};
