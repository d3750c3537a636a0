import {
  isSummed,
  LIST_FILE,
  LIST_HEAD_BYTES,
  ownListText,
  parseOwnList,
  WAITING_FOLDER,
  type FilesThere,
  type OwnList,
} from '../../../core/release'
import { hashOf } from '../../files/blobs'
import { DestinationError } from '../destination'
import type { FileRead, FileServer, Known } from './file-server'
import type { SentContents } from './sent-contents'

/** A list that is being put into the place of the one of before. */
const NEW_LIST = `${WAITING_FOLDER}/list`

/** Our list on a server, which is read and written again and again: what it is known to be does not travel. */
export class OwnListFile {
  private last: (FileRead & { readonly list: OwnList }) | null = null

  constructor(
    private readonly server: FileServer,
    private readonly kept: SentContents,
  ) {}

  /** What it says; null where there is none. */
  async find(): Promise<OwnList | null> {
    const found = await this.server.read(LIST_FILE, this.known())
    if (!found) return this.settled()
    const list = parsed(found.content)
    // Without it nobody could tell what is ours: rather nothing is touched.
    if (!list) throw new DestinationError('refused', `the list of what is ours there, ${LIST_FILE}, cannot be read`)
    this.note({ ...found, list })
    return list
  }

  /** What it says, where what is there is as it was when we read or wrote it last; null where that is not sure. */
  stillAmong(files: FilesThere): OwnList | null {
    const there = files.get(LIST_FILE)
    const { last } = this
    return last && last.at !== null && last.at === there?.at && last.content.length === there.bytes ? last.list : null
  }

  /** Writes it in one step, from the waiting folder, which is there: whoever reads it finds the one of before or this one. */
  async write(list: OwnList): Promise<void> {
    const content = Buffer.from(ownListText(list, hashOf))
    const from = this.last && this.last.at !== null ? { path: LIST_FILE, content: this.last.content, at: this.last.at } : null
    const at = await this.server.write(NEW_LIST, content, from)
    await this.server.move(NEW_LIST, LIST_FILE)
    this.note({ content, at, list })
  }

  /** What it may be: the one of before, where that is whole and begins with its sum. */
  private known(): Known | null {
    const content = this.last?.content ?? this.kept.list()
    return content && isSummed(content.toString('utf8')) && parsed(content) ? { content, head: LIST_HEAD_BYTES } : null
  }

  private note(last: FileRead & { readonly list: OwnList }): void {
    if (!this.last?.content.equals(last.content)) this.kept.keepList(last.content)
    this.last = last
  }

  /** Where the line broke while the list was being replaced, the new one waits, whole: it is put into its place before anything else. */
  private async settled(): Promise<OwnList | null> {
    this.last = null
    const found = await this.server.read(NEW_LIST)
    const list = found && parsed(found.content)
    if (list) await this.server.move(NEW_LIST, LIST_FILE)
    return list
  }
}

function parsed(content: Buffer): OwnList | null {
  return parseOwnList(content.toString('utf8'), hashOf)
}
