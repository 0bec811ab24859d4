<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Design\ReadLayouts;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\LayoutView;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Layout\FaultyLayout;
use Heronstem\Core\Content\Layout\Layout;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The layouts that pages may have. */
final readonly class LayoutController
{
    public function __construct(private ReadLayouts $layouts)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/layouts',
            operationId: 'layouts',
            description: 'Layouts of the design with their fields and how many pages have them, and what keeps folders from being layouts.',
            responses: [new Answer('Layouts')],
        ),
    ]
    public function index(Site $site): JsonResponse
    {
        $pages = Page::query()
            ->where('site_id', $site->id)
            ->where('state', '<>', 'bin')
            ->groupBy('layout')
            ->selectRaw('layout, count(*) as n')
            ->toBase()
            ->pluck('n', 'layout');

        return new JsonResponse([
            'layouts' => array_values(
                array_map(
                    static fn (Layout $layout): array => LayoutView::of($layout, (int) ($pages[$layout->key] ?? 0)),
                    $this->layouts->all()->all,
                ),
            ),
            'faults' => array_map(
                static fn (FaultyLayout $fault): array => ['where' => $fault->where, 'reason' => $fault->reason],
                $this->layouts->faults(),
            ),
        ]);
    }
}
