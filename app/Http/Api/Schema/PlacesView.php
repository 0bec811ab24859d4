<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Change\FoundPlace;
use Heronstem\Core\Change\ReplacedMenu;
use Heronstem\Core\Change\ReplacedPage;
use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'FoundText',
        description: 'Where a text stands: pages, then menus.',
        required: ['places', 'pages', 'menus', 'found'],
        properties: [
            new OA\Property('places', description: 'how many there are', type: 'integer'),
            new OA\Property('pages', description: 'on how many pages', type: 'integer'),
            new OA\Property('menus', description: 'in how many menus', type: 'integer'),
            new OA\Property(
                'found',
                type: 'array',
                items: new OA\Items(
                    required: ['of', 'id', 'name', 'address', 'places'],
                    properties: [
                        new OA\Property('of', type: 'string', enum: ['page', 'menu']),
                        new OA\Property('id', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('address', type: 'string', nullable: true),
                        new OA\Property('places', type: 'array', items: new OA\Items(ref: '#/components/schemas/FoundPlace')),
                    ],
                    type: 'object',
                ),
            ),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'FoundPlace',
        required: ['key', 'where', 'live', 'before', 'is', 'becomes', 'after'],
        properties: [
            new OA\Property('key', description: 'names the place in skip', type: 'string'),
            new OA\Property('where', description: 'name, heading, summary, content, label, fields.fares.0.name …', type: 'string'),
            new OA\Property('live', description: 'in what visitors get, where something else waits to be published', type: 'boolean'),
            new OA\Property('before', type: 'string'),
            new OA\Property('is', type: 'string'),
            new OA\Property('becomes', type: 'string'),
            new OA\Property('after', type: 'string'),
        ],
        type: 'object',
    ),
]
final class PlacesView
{
    /** Places that are listed. */
    private const MOST = 2000;

    /**
     * @param  iterable<ReplacedPage|ReplacedMenu>  $found
     * @return array<string, mixed>
     */
    public static function of(iterable $found): array
    {
        $count = ['places' => 0, 'pages' => 0, 'menus' => 0];
        $listed = [];
        foreach ($found as $each) {
            $isPage = $each instanceof ReplacedPage;
            $count[$isPage ? 'pages' : 'menus']++;
            if ($count['places'] < self::MOST) {
                $listed[] = [
                    'of' => $isPage ? 'page' : 'menu',
                    'id' => $isPage ? $each->page->id : $each->menu->id,
                    'name' => $isPage ? $each->page->name : $each->menu->name,
                    'address' => $isPage ? $each->page->address->path : null,
                    'places' => array_map(self::place(...), array_slice($each->places, 0, self::MOST - $count['places'])),
                ];
            }
            $count['places'] += count($each->places);
        }

        return [...$count, 'found' => $listed];
    }

    /** @return array<string, mixed> */
    private static function place(FoundPlace $place): array
    {
        return [
            'key' => $place->key,
            'where' => $place->where,
            'live' => $place->isLive,
            'before' => $place->before,
            'is' => $place->is,
            'becomes' => $place->becomes,
            'after' => $place->after,
        ];
    }
}
