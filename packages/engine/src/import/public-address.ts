import { lookup } from 'node:dns/promises'
import ipaddr from 'ipaddr.js'
import { Agent } from 'undici'

/** "::127.0.0.1", deprecated by RFC 4291 (2.5.5.1) and still understood. */
const IPV4_COMPATIBLE = ipaddr.parseCIDR('::/96')

/**
 * Whether an address is one of the public internet: no loopback, private, link-local, shared,
 * multicast or reserved range, nor an IPv4 address of these dressed as IPv6 (ranges of the IANA
 * special-purpose registries, as ipaddr.js has them).
 */
export function isPublicAddress(address: string): boolean {
  // Embedded IPv4 (NAT64, 6to4, Teredo) is judged by ipaddr.js as its own range, none of them
  // unicast.
  if (!ipaddr.isValid(address)) return false
  const known = ipaddr.process(address)
  const dressed = known.kind() === 'ipv6' && known.match(IPV4_COMPATIBLE)
  return !dressed && known.range() === 'unicast'
}

export type Resolve = (host: string) => Promise<string[]>

export const resolveHost: Resolve = async (host) =>
  (await lookup(host, { all: true, verbatim: true })).map(({ address }) => address)

/** What fetching stands on; tests put their own world here. */
export interface Reach {
  resolve: Resolve
  allowed: (address: string) => boolean
}
export const INTERNET: Reach = { resolve: resolveHost, allowed: isPublicAddress }

/**
 * An agent for a public host. The host is resolved first, refused unless all its addresses are
 * public, and then connected to at just the address that was judged, so that a name cannot point
 * elsewhere a moment later.
 *
 * @returns undefined for a host that is not public
 * @throws what resolving throws for a host that there is not
 */
export async function publicAgent(
  url: URL,
  { resolve, allowed }: Reach = INTERNET,
): Promise<Agent | undefined> {
  const addresses = await resolve(url.hostname.replace(/^\[|\]$/g, ''))
  const [pinned] = addresses
  if (!pinned || !addresses.every(allowed)) return undefined
  const family = pinned.includes(':') ? 6 : 4
  return new Agent({
    connect: {
      lookup: (_host, options, done) =>
        options.all ? done(null, [{ address: pinned, family }]) : done(null, pinned, family),
    },
  })
}
