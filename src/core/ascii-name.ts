import { toASCII } from 'tr46'

/** A host name, or a part of one, as name servers know it (UTS 46, non-transitional; RFC 5891; RFC 1123, 2.1); null where it is none. */
export function toAsciiName(typed: string): string | null {
  return toASCII(typed, {
    checkBidi: true,
    checkHyphens: true,
    checkJoiners: true,
    useSTD3ASCIIRules: true,
    transitionalProcessing: false,
    verifyDNSLength: true,
    ignoreInvalidPunycode: false,
  })
}
