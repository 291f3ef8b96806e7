export const pictureUrl = (id: string): string => `/api/pictures/${id}`;
