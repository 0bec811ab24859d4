/** How the writing room is set, kept in its address. */
export type RoomSearch = { screen?: 'tablet' | 'phone' | undefined; full?: true | undefined }
