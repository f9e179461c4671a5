/** Where a rider goes when its old assembly is put aside. */
export const fatePlace: Partial<Record<string, string>> = { keep: 'stock', scrap: 'scrap', return: 'owner' };
