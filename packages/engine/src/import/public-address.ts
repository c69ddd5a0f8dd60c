import { lookup } from 'node:dns/promises'
import ipaddr from 'ipaddr.js'

/**
 * Whether an address is one of the public internet: no loopback, private, link-local, shared, multicast or
 * reserved range, nor an IPv4 address of these dressed as IPv6 (ranges of the IANA special-purpose registries, as ipaddr.js has them).
 */
export function isPublicAddress(address: string): boolean {
  // Embedded IPv4 (NAT64, 6to4, Teredo) is judged by ipaddr.js as its own range, none of them unicast.
  return ipaddr.isValid(address) && ipaddr.process(address).range() === 'unicast'
}

export type Resolve = (host: string) => Promise<string[]>

export const resolveHost: Resolve = async (host) => (await lookup(host, { all: true, verbatim: true })).map(({ address }) => address)
