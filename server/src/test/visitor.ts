import type {
  DeviceMessages,
  FollowAnswer,
  KeepAnswer,
  PageEvent,
  Person,
  ReadTo,
  ServerMessages,
  WatchAnswer,
} from '@hand-back/core'
import { readNothing } from '@hand-back/core'
import { io, type Socket } from 'socket.io-client'

/** An answer that was not a success. */
export class Answered extends Error {
  readonly status: number
  constructor(status: number, sentence: string) {
    super(sentence)
    this.status = status
  }
}

type Device = Socket<ServerMessages, DeviceMessages>

/** Somebody with a browser: keeps cookies, sends what the interface sends. */
export class Visitor {
  readonly url: string
  readonly #cookies = new Map<string, string>()
  #device: Device | undefined
  #person: string | undefined

  constructor(url: string) {
    this.url = url
  }

  /** What this browser sends along. */
  get cookie(): string {
    return [...this.#cookies].map(([name, value]) => `${name}=${value}`).join('; ')
  }

  #remember(cookie: string): void {
    const at = cookie.indexOf('=')
    this.#cookies.set(cookie.slice(0, at), cookie.slice(at + 1))
    if (cookie.startsWith('handback=')) this.#person = undefined
  }

  async send(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Response> {
    const json = body !== undefined && !(body instanceof FormData) && !(body instanceof Uint8Array)
    const response = await fetch(`${this.url}/api${path}`, {
      method,
      headers: {
        cookie: this.cookie,
        origin: this.url,
        ...(json ? { 'content-type': 'application/json' } : {}),
        ...headers,
      },
      ...(body === undefined ? {} : { body: json ? JSON.stringify(body) : (body as FormData) }),
    })
    for (const cookie of response.headers.getSetCookie()) this.#remember(cookie.split(';')[0]!)
    return response
  }

  async #answer<T>(response: Response): Promise<T> {
    const text = await response.text()
    const told = text ? JSON.parse(text) : undefined
    if (!response.ok) throw new Answered(response.status, told?.sentence ?? '')
    return told as T
  }

  get = async <T>(path: string) => this.#answer<T>(await this.send('GET', path))
  post = async <T>(path: string, body: unknown = {}) => this.#answer<T>(await this.send('POST', path, body))
  patch = async <T>(path: string, body: unknown) => this.#answer<T>(await this.send('PATCH', path, body))
  delete = async <T>(path: string) => this.#answer<T>(await this.send('DELETE', path))
  put = async <T>(path: string, body: unknown) => this.#answer<T>(await this.send('PUT', path, body))

  async upload<T>(path: string, name: string, bytes: Uint8Array, ...passwords: string[]): Promise<T> {
    return this.uploadAll(path, [[name, bytes]], passwords)
  }

  async uploadAll<T>(
    path: string,
    files: readonly (readonly [name: string, bytes: Uint8Array])[],
    passwords: readonly string[] = [],
  ): Promise<T> {
    const form = new FormData()
    for (const password of passwords) form.append('password', password)
    for (const [name, bytes] of files) form.append('file', new Blob([bytes as Uint8Array<ArrayBuffer>]), name)
    return this.#answer<T>(await this.send('POST', path, form))
  }

  /** The status of a request, whatever it is. */
  async status(method: string, path: string, body?: unknown): Promise<number> {
    const response = await this.send(method, path, body)
    await response.arrayBuffer()
    return response.status
  }

  /** The live connection, made when first asked for. Rejects when the server does not let one in. */
  async device(url = this.url): Promise<Device> {
    this.#device ??= io(url, {
      path: '/live',
      transports: ['websocket'],
      extraHeaders: { cookie: this.cookie },
      reconnection: false,
    })
    const device = this.#device
    if (!device.connected) {
      await new Promise<void>((done, failed) => {
        device.once('connect', done)
        device.once('connect_error', failed)
      })
    }
    return device
  }

  /** The same browser with another live connection: one more tab. */
  again(): Visitor {
    const tab = new Visitor(this.url)
    for (const [name, value] of this.#cookies) tab.#cookies.set(name, value)
    return tab
  }

  /** Who is signed in here, as the server says. */
  async whoAmI(): Promise<string> {
    this.#person ??= (await this.get<Person>('/me')).id
    return this.#person
  }

  async keep(copy: string, events: PageEvent[]): Promise<KeepAnswer> {
    const person = await this.whoAmI()
    return (await this.device()).timeout(10_000).emitWithAck('keep', { person, copy, events })
  }
  async follow(copy: string, readTo: ReadTo = readNothing): Promise<FollowAnswer> {
    return (await this.device()).timeout(10_000).emitWithAck('follow', { copy, readTo })
  }
  async watch(handout: string): Promise<WatchAnswer> {
    return (await this.device()).timeout(10_000).emitWithAck('watch', { handout })
  }

  leave(): void {
    this.#device?.disconnect()
  }
}
