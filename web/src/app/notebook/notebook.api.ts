import { inject, Injectable } from '@angular/core';
import type { LookingBack, Notes, NoteWords, Trial, TrialCandidates, TrialInShort, TrialSaying } from '@fresh-tuck/contract';
import type { Grouping } from '@fresh-tuck/core/trials';
import { v7 as uuid } from 'uuid';
import { Transport } from '../data/transport/transport.service';

/** What the Notebook asks of the server. */
@Injectable({ providedIn: 'root' })
export class NotebookApi {
  private readonly transport = inject(Transport);

  readonly trial = (id: string) => this.transport.get<Trial>(`trials/${id}`);
  readonly lookingBack = (by: Grouping, year: number | null, crop: string | null) =>
    this.transport.get<LookingBack>('looking-back', { by, ...(year === null ? {} : { year }), ...(crop === null ? {} : { crop }) });
  readonly notes = (asked: { find: string; batch: string | undefined; crop: string | undefined; from: number }) =>
    this.transport.get<Notes>('notes', {
      ...(asked.find === '' ? {} : { find: asked.find }),
      ...(asked.batch ? { batch: asked.batch } : {}),
      ...(asked.crop ? { crop: asked.crop } : {}),
      ...(asked.from > 0 ? { from: asked.from } : {}),
    });
  readonly sayNote = (noteId: string, words: NoteWords | null) =>
    this.transport.send<{ id: string }>('POST', 'notes', { id: uuid(), noteId, words });
  readonly takeBackNote = (noteId: string) => this.transport.send<{ id: string }>('POST', 'notes/undos', { id: uuid(), noteId });
  readonly notePicture = (noteId: string, photoId: string, picture: Blob) =>
    this.transport.send<{ id: string }>('PUT', `notes/${noteId}/photos/${photoId}`, picture);
  readonly candidates = (crop: string | null) => this.transport.get<TrialCandidates>('trials/candidates', crop === null ? {} : { crop });
  readonly say = (trialId: string, words: TrialSaying) => this.transport.send<Trial>('POST', 'trials', { id: uuid(), trialId, words });
  readonly takeOut = (trialId: string) => this.transport.send<TrialInShort[]>('POST', 'trials', { id: uuid(), trialId, words: null });
  readonly takeBack = (trialId: string) => this.transport.send<TrialInShort[]>('POST', 'trials/undos', { id: uuid(), trialId });
}
