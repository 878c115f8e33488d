import { inject, Injectable } from '@angular/core';
import type {
  Bed,
  BedPage,
  CareRequest,
  LightRequest,
  Nursery,
  NurseryActRequest,
  NurseryPage,
  NurseryUndoRequest,
  Seedling,
  SoilImport,
  SoilReading,
  SoilRequest,
  StayRequest,
  TakeBackRequest,
  UndoRequest,
  WeatherRequest,
} from '@fresh-tuck/contract';
import type { NurseryGroup } from '@fresh-tuck/contract/choices';
import { Transport } from '../data/transport/transport.service';

/** What the Nursery asks of the server. */
@Injectable({ providedIn: 'root' })
export class NurseryApi {
  private readonly transport = inject(Transport);

  readonly nursery = () => this.transport.get<Nursery>('nursery');
  readonly page = (group: NurseryGroup, from: number) => this.transport.get<NurseryPage>('nursery', { group, from });
  readonly seedling = (number: number) => this.transport.get<Seedling>(`nursery/${number}`);
  readonly bed = (bedId: string, asked: { cropId: string; plants: number } | null) =>
    this.transport.get<BedPage>(`beds/${bedId}`, { ...asked });
  readonly soil = (bedId: string) => this.transport.get<SoilReading[]>(`beds/${bedId}/soil`);
  readonly addSoil = (bedId: string, body: SoilRequest) => this.transport.send<Bed[]>('POST', `beds/${bedId}/soil`, body);
  readonly importSoil = (bedId: string, body: SoilImport) => this.transport.send<Bed[]>('POST', `beds/${bedId}/soil/imports`, body);
  readonly undoSoil = (bedId: string, body: TakeBackRequest) => this.transport.send<Bed[]>('POST', `beds/${bedId}/undos`, body);
  readonly stay = (body: StayRequest) => this.transport.send<Nursery>('POST', 'nursery/stays', body);
  readonly undoMove = (batchId: string, body: UndoRequest) => this.transport.send<unknown>('POST', `batches/${batchId}/undos`, body);
  readonly act = (body: NurseryActRequest) => this.transport.send<Nursery>('POST', 'nursery/acts', body);
  readonly undoAct = (body: NurseryUndoRequest) => this.transport.send<Nursery>('POST', 'nursery/acts/undos', body);
  readonly care = (body: CareRequest) => this.transport.send<Nursery>('POST', 'nursery/care', body);
  readonly undoCare = (body: TakeBackRequest) => this.transport.send<Nursery>('POST', 'nursery/care/undos', body);
  readonly light = (spotId: string, body: LightRequest) => this.transport.send<Nursery>('POST', `spots/${spotId}/light`, body);
  readonly weather = (body: WeatherRequest) => this.transport.send<Nursery>('POST', 'weather', body);
  readonly undoWeather = (body: TakeBackRequest) => this.transport.send<Nursery>('POST', 'weather/undos', body);
  readonly picture = (number: number, photoId: string, body: Blob) =>
    this.transport.send<Seedling>('PUT', `nursery/${number}/photos/${photoId}`, body);
  readonly undo = (number: number, body: UndoRequest) => this.transport.send<Seedling>('POST', `nursery/${number}/undos`, body);
}
