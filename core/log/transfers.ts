/** Where a part goes when its old assembly is put aside. */
export const transferPlace: Partial<Record<string, string>> = {
  keep: 'stock',
  scrap: 'scrap',
  return: 'owner',
};
