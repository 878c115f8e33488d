import * as contract from '@fresh-tuck/contract';
import type * as z from 'zod';

/** An address with what stands for its parts, and what it takes. */
export interface Route {
  readonly method: 'GET' | 'POST' | 'PUT';
  readonly path: string;
  readonly schema?: z.ZodType;
  /** How often it is asked beside the others. */
  readonly weight: number;
}

const post = (path: string, schema: z.ZodType, weight = 4): Route => ({ method: 'POST', path, schema, weight });
const put = (path: string, schema: z.ZodType, weight = 2): Route => ({ method: 'PUT', path, schema, weight });
const get = (path: string, weight = 1): Route => ({ method: 'GET', path, weight });

/** Every address of the server. What puts copies back is the faults' to try. */
export const ROUTES: readonly Route[] = [
  put('household', contract.householdRequest, 1),
  put('household/ways', contract.waysRequest, 1),
  post('clock/settlements', contract.clockRequest, 1),
  post('spots', contract.spotRequest, 1),
  put('spots/order', contract.spotOrder, 1),
  post('spots/:spotId/readings', contract.readingRequest),
  post('spots/:spotId/setup', contract.setupRequest, 2),
  post('spots/:spotId/events', contract.occurrenceRequest, 2),
  post('spots/:spotId/what-if', contract.whatIfRequest, 2),
  post('spots/:spotId/imports', contract.importRequest, 2),
  post('spots/:spotId/probes', contract.probeRequest, 1),
  post('household/absences', contract.absenceRequest, 1),
  post('calendar/feeds', contract.feedRequest, 1),
  post('crops', contract.cropRequest, 2),
  put('crops/:cropId/figures', contract.cropFiguresRequest),
  post('crops/:cropId/removals', contract.removalRequest, 1),
  post('packets', contract.packetRequest),
  post('packets/imports', contract.packetImport),
  put('packets/:packetId', contract.packetChange),
  post('packets/:packetId/counts', contract.packetCountRequest),
  post('batches', contract.batchRequest, 6),
  post('batches/:batchId/looks', contract.lookRequest, 12),
  post('batches/:batchId/moves', contract.moveRequest, 8),
  post('batches/:batchId/bag', contract.rebagRequest, 3),
  post('batches/:batchId/recounts', contract.recountRequest, 3),
  post('batches/:batchId/closings', contract.closeRequest, 2),
  post('batches/:batchId/undos', contract.undoRequest, 6),
  post('holders/:holderId/place', contract.placeRequest, 2),
  post('holders/:holderId/closure', contract.closureRequest, 2),
  post('holders/:holderId/probe', contract.readingRequest, 2),
  post('holders/:holderId/weighings', contract.weighingRequest, 2),
  post('beds', contract.bedRequest, 1),
  post('beds/:bedId/soil', contract.soilRequest, 2),
  post('racks', contract.rackRequest, 1),
  post('rounds', contract.roundRequest, 1),
  post('rounds/paper', contract.paperRoundRequest, 3),
  post('packets/muddles', contract.muddleRequest, 1),
  post('sittings', contract.sittingRequest, 3),
  put('sittings/:sittingId', contract.sittingChange, 3),
  post('sittings/:sittingId/lines/:lineId/skips', contract.skipRequest, 1),
  post('sittings/:sittingId/ends', contract.endSittingRequest, 1),
  put('print/paper', contract.paperRequest, 1),
  post('print/labels', contract.labelsRequest, 1),
  post('print/template', contract.templateRequest, 1),
  post('print/round', contract.roundSheetRequest, 1),
  post('nursery/:number/events', contract.seedlingRequest, 5),
  post('nursery/:number/undos', contract.undoRequest, 3),
  post('today/shown', contract.shownRequest, 1),
  get('about'),
  get('shelf'),
  get('spots/:spotId/sheet'),
  get('holders/:holderId/elsewhere'),
  get('calendar.ics'),
  get('today'),
  get('batches/:batchId'),
  get('batches/:batchId/why'),
  get('packets?find=:word&crop=:cropId'),
  get('box?find=:word&divider=:word&from=:number'),
  get('packets/:packetId'),
  get('packets/:packetId/kin'),
  get('packets.csv'),
  get('nursery?group=:word&from=:number'),
  get('find?words=:word'),
  get('holders'),
  get('spots'),
  get('beds'),
  get('racks'),
  get('people'),
  get('rounds/current'),
  get('sittings'),
  get('sittings/:sittingId'),
  get('labels?code=:word'),
  get('print/paper'),
  get('crops/:cropId'),
  get('crops/:cropId/seasons'),
  get('photos/:photoId'),
  get('backups'),
  get('nowhere/:word'),
];
