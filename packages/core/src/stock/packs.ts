/** Rule packs a job can be held to; the rules themselves stand with the checks, as they read the layout. */
export const PACK_IDS = ['EN', 'AISC', 'SAE', 'marine', 'timber-EN', 'timber-NDS', 'competition'] as const;
export type PackId = (typeof PACK_IDS)[number];
