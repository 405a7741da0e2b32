import { api, type Model } from '../model/api';
import { indexOf } from '../model/model';
import { undressed } from '../stage/envelopeDrawing';

const turn = () => new Promise((go) => setTimeout(go));

/** A model with all that is made of it before it is shown, in turns that the page can breathe between. */
export async function opened(delivery: string): Promise<Model> {
  const model = await api.model(delivery);
  for (const make of [indexOf, undressed]) {
    await turn();
    make(model);
  }
  await turn();
  return model;
}
