import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net'

/** A line to a database that can be frozen and cut; for tests. */
export class Line {
  private readonly pairs = new Set<[Socket, Socket]>()
  private frozen = false
  private refused = false
  private server!: Server

  /** @returns the address of the database at this end of the line */
  async to(url: string): Promise<string> {
    const { hostname, port } = new URL(url)
    this.server = createServer((near) => {
      if (this.refused) return near.destroy()
      const far = connect(Number(port), hostname)
      const pair: [Socket, Socket] = [near, far]
      this.pairs.add(pair)
      const carry = (from: Socket, into: Socket) =>
        from.on('data', (bytes) => {
          into.write(bytes)
          if (this.frozen) from.pause()
        })
      carry(near, far)
      carry(far, near)
      for (const socket of pair) {
        if (this.frozen) socket.pause()
        socket.on('error', () => {})
        socket.on('close', () => {
          this.pairs.delete(pair)
          pair.forEach((each) => each.destroy())
        })
      }
    })
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve))
    const near = new URL(url)
    near.hostname = '127.0.0.1'
    near.port = String((this.server.address() as AddressInfo).port)
    return near.toString()
  }

  /** Nothing comes through any more, and nothing breaks. */
  freeze(): void {
    this.frozen = true
    for (const pair of this.pairs) pair.forEach((socket) => socket.pause())
  }

  thaw(): void {
    this.frozen = false
    for (const pair of this.pairs) pair.forEach((socket) => socket.resume())
  }

  /** Every connection breaks; new ones are refused until the line is mended. */
  cut(): void {
    this.refused = true
    for (const pair of this.pairs) pair.forEach((socket) => socket.destroy())
  }

  mend(): void {
    this.refused = false
  }

  end(): void {
    this.cut()
    this.server?.close()
  }
}
