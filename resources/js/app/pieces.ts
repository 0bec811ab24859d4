import { queryOptions } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../api/client'
import { keys } from '../api/queries'

export type Piece = Schemas['SharedPiece']
export type PieceDetail = Schemas['SharedPieceDetail']

export const piecesQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'pieces'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/pieces', { params: { path: { site } }, signal })),
    })

export const pieceQuery = (site: string, piece: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'piece', piece],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/pieces/{piece}', { params: { path: { site, piece } }, signal })),
        staleTime: Infinity,
        refetchOnMount: 'always',
        refetchOnWindowFocus: false,
    })
