import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { catchError, map, throwError, type Observable } from 'rxjs';
import type {
  About,
  BatchRequest,
  Bed,
  BedRequest,
  ClockRequest,
  ClosureRequest,
  Copies,
  Copy,
  CopyRequest,
  RebagRequest,
  Round,
  RoundRequest,
  Seedling,
  SeedlingRequest,
  SoilRequest,
  WeighingRequest,
  BatchWithJournal,
  CloseRequest,
  CropFiguresRequest,
  CropRequest,
  CropSheet,
  CropSummary,
  DemoParcel,
  Found,
  Holder,
  HouseholdRequest,
  LookRequest,
  MoveRequest,
  Box,
  Kin,
  Nursery,
  PacketChange,
  PacketName,
  PacketCountRequest,
  PacketImport,
  PacketRequest,
  PacketSheet,
  PastSeasons,
  Rack,
  RackRequest,
  PlaceRequest,
  Problem,
  ReadingRequest,
  RecountRequest,
  RemovalRequest,
  Spot,
  SpotOrder,
  SpotRequest,
  Today,
  UndoRequest,
  WaysRequest,
  WhyPanel,
} from '@fresh-tuck/contract';
import type { Divider, NurseryGroup } from '@fresh-tuck/contract/choices';

/** A refusal of the server in its own words, with the fields it names. */
export class ApiProblem extends Error {
  constructor(
    message: string,
    readonly status: number,
    private readonly fields: ReadonlyMap<string, string>,
  ) {
    super(message);
  }

  /** What is wrong with a field, or null. */
  at(field: string): string | null {
    return this.fields.get(field) ?? null;
  }
}

export function problemFrom(error: unknown): ApiProblem {
  if (error instanceof HttpErrorResponse) {
    const problem = error.error as Partial<Problem> | null;
    if (error.status === 0)
      return new ApiProblem('The server does not answer. Nothing was saved; try again when it is back.', 0, new Map());
    const fields = new Map((problem?.errors ?? []).map(({ field, message }) => [field, message]));
    return new ApiProblem(problem?.detail ?? 'The server could not do that.', error.status, fields);
  }
  return new ApiProblem('Something went wrong here.', 0, new Map());
}

@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  readonly about = () => this.get<About>('about');
  readonly today = () => this.get<Today>('today');
  readonly crops = () => this.get<CropSummary[]>('crops');
  readonly cropSheet = (id: string) => this.get<CropSheet>(`crops/${id}`);
  readonly crop = (id: string) => this.cropSheet(id).pipe(map(({ crop }) => crop));
  readonly addCrop = (body: CropRequest) => this.send<CropSheet>('POST', 'crops', body);
  readonly setFigures = (id: string, body: CropFiguresRequest) => this.send<CropSheet>('PUT', `crops/${id}/figures`, body);
  readonly removeCrop = (id: string, body: RemovalRequest) => this.send<{ id: string }>('POST', `crops/${id}/removals`, body);
  readonly find = (words: string) => this.get<Found[]>('find', { words });
  readonly box = (find: string) => this.get<Box>('box', { find });
  readonly boxPage = (find: string, divider: Divider, from: number) => this.get<Box>('box', { find, divider, from });
  /** Packets to choose from, the newest first; a page of them. */
  readonly packets = (find: string) => this.get<PacketName[]>('packets', { find });
  readonly packetsOf = (crop: string) => this.get<PacketName[]>('packets', { crop });
  readonly kin = (packetId: string) => this.get<Kin[]>(`packets/${packetId}/kin`);
  readonly spots = () => this.get<Spot[]>('spots');
  readonly holders = () => this.get<Holder[]>('holders');
  readonly batch = (id: string) => this.get<BatchWithJournal>(`batches/${id}`);
  readonly demoParcel = (id: string) => this.get<DemoParcel>(`demo/parcels/${id}`);

  readonly saveHousehold = (body: HouseholdRequest) => this.send<About>('PUT', 'household', body);
  readonly saveWays = (body: WaysRequest) => this.send<About>('PUT', 'household/ways', body);
  readonly why = (batchId: string) => this.get<WhyPanel>(`batches/${batchId}/why`);
  readonly copies = () => this.get<Copies>('backups');
  readonly makeCopy = (body: CopyRequest) => this.send<Copies>('POST', 'backups', body);
  readonly bringCopy = (file: Blob) => this.send<Copy>('PUT', 'backups/brought', file);
  readonly restoreCopy = (name: string, body: CopyRequest) => this.send<{ id: string }>('POST', `backups/${name}/restorations`, body);
  readonly settleClock = (body: ClockRequest) => this.send<About>('POST', 'clock/settlements', body);
  readonly shown = (body: RemovalRequest) => this.send<{ id: string }>('POST', 'today/shown', body);
  readonly addSpot = (body: SpotRequest) => this.send<Spot[]>('POST', 'spots', body);
  readonly orderSpots = (body: SpotOrder) => this.send<Spot[]>('PUT', 'spots/order', body);
  readonly addReading = (spotId: string, body: ReadingRequest) => this.send<Spot[]>('POST', `spots/${spotId}/readings`, body);
  readonly addPacket = (body: PacketRequest) => this.send<PacketSheet>('POST', 'packets', body);
  readonly packet = (id: string) => this.get<PacketSheet>(`packets/${id}`);
  readonly changePacket = (id: string, body: PacketChange) => this.send<PacketSheet>('PUT', `packets/${id}`, body);
  readonly countPacket = (id: string, body: PacketCountRequest) => this.send<PacketSheet>('POST', `packets/${id}/counts`, body);
  readonly importPackets = (body: PacketImport) => this.send<{ added: number }>('POST', 'packets/imports', body);
  readonly seasons = (cropId: string) => this.get<PastSeasons>(`crops/${cropId}/seasons`);
  readonly racks = () => this.get<Rack[]>('racks');
  readonly addRack = (body: RackRequest) => this.send<Rack[]>('POST', 'racks', body);
  readonly addBatch = (body: BatchRequest) => this.send<BatchWithJournal>('POST', 'batches', body);
  readonly addLook = (batchId: string, body: LookRequest) => this.send<BatchWithJournal>('POST', `batches/${batchId}/looks`, body);
  readonly addMove = (batchId: string, body: MoveRequest) => this.send<BatchWithJournal>('POST', `batches/${batchId}/moves`, body);
  readonly recount = (batchId: string, body: RecountRequest) => this.send<BatchWithJournal>('POST', `batches/${batchId}/recounts`, body);
  readonly close = (batchId: string, body: CloseRequest) => this.send<BatchWithJournal>('POST', `batches/${batchId}/closings`, body);
  readonly undo = (batchId: string, body: UndoRequest) => this.send<BatchWithJournal>('POST', `batches/${batchId}/undos`, body);
  readonly startRound = (body: RoundRequest) => this.send<Round | null>('POST', 'rounds', body);
  readonly rebag = (batchId: string, body: RebagRequest) => this.send<BatchWithJournal>('POST', `batches/${batchId}/bag`, body);
  readonly setClosure = (holderId: string, body: ClosureRequest) => this.send<Holder>('POST', `holders/${holderId}/closure`, body);
  readonly probe = (holderId: string, body: ReadingRequest) => this.send<Holder>('POST', `holders/${holderId}/probe`, body);
  readonly weigh = (holderId: string, body: WeighingRequest) => this.send<Holder>('POST', `holders/${holderId}/weighings`, body);
  readonly people = () => this.get<string[]>('people');
  readonly beds = () => this.get<Bed[]>('beds');
  readonly addBed = (body: BedRequest) => this.send<Bed[]>('POST', 'beds', body);
  readonly addSoil = (bedId: string, body: SoilRequest) => this.send<Bed[]>('POST', `beds/${bedId}/soil`, body);
  readonly nursery = () => this.get<Nursery>('nursery');
  readonly nurseryPage = (group: NurseryGroup, from: number) => this.get<Nursery>('nursery', { group, from });
  readonly addSeedlingEvent = (number: number, body: SeedlingRequest) => this.send<Seedling>('POST', `nursery/${number}/events`, body);
  readonly undoSeedling = (number: number, body: UndoRequest) => this.send<Seedling>('POST', `nursery/${number}/undos`, body);
  readonly placeHolder = (holderId: string, body: PlaceRequest) => this.send<Holder>('POST', `holders/${holderId}/place`, body);
  readonly stepDemo = () => this.send<{ nowMs: number }>('POST', 'demo/step', {});
  readonly resetDemo = () => this.send<{ nowMs: number }>('POST', 'demo/reset', {});

  private get<T>(path: string, params: Record<string, string | number> = {}): Observable<T> {
    return this.http.get<T>(`/api/${path}`, { params }).pipe(catchError((error: unknown) => throwError(() => problemFrom(error))));
  }

  private send<T>(method: 'POST' | 'PUT', path: string, body: object): Observable<T> {
    return this.http
      .request<T>(method, `/api/${path}`, { body })
      .pipe(catchError((error: unknown) => throwError(() => problemFrom(error))));
  }
}
