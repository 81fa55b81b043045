import { BlockList, isIPv4 } from 'node:net';

/**
 * Addresses that are not on the public internet, or lead elsewhere than they
 * say (IANA IPv4 and IPv6 Special-Purpose Address Registries, RFC 6890; the
 * compatible, 6to4, Teredo and site-local ones, RFC 4291, 3056, 4380, 3879).
 */
const INSIDE: readonly (readonly [net: string, bits: number])[] = [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 3],
  ['::', 96],
  ['::ffff:0:0', 96],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['100::', 64],
  ['2001::', 32],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
  ['ff00::', 8],
];

const v4 = new BlockList();
const v6 = new BlockList();
for (const [net, bits] of INSIDE) {
  if (isIPv4(net)) v4.addSubnet(net, bits, 'ipv4');
  else v6.addSubnet(net, bits, 'ipv6');
}

/** Whether an address is one that nobody may reach from outside through us. */
export function isInside(ip: string): boolean {
  return isIPv4(ip) ? v4.check(ip, 'ipv4') : v6.check(ip, 'ipv6');
}
