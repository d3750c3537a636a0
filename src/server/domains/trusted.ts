import { existsSync, readFileSync } from 'node:fs'
import { rootCertificates } from 'node:tls'
import { authoritySettings } from './settings'

/** Whose certificates we believe, as PEM: those that this computer does, and our settings' authority; undefined for the first alone. */
export function trusted(): string[] | undefined {
  const { rootFile } = authoritySettings()
  if (rootFile === null || !existsSync(rootFile)) return undefined
  return [...rootCertificates, readFileSync(rootFile, 'utf8')]
}
