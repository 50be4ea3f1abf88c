/** What app/api/machines/id says to people, in English. */
export const say = {
  idMustStayDuplicateThe: (id: string) => `id: must stay ${id}; duplicate the machine to give it another.`,
};
