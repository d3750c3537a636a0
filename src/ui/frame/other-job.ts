/** A job to switch to. */
export type OtherJob = { readonly id: string; readonly name: string }
