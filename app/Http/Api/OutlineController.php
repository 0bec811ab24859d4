<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Permission;
use App\Models\Site;
use App\Store\OutlineRows;
use App\Store\PageFilter;
use Heronstem\Core\Change\Batch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The page tree, a piece at a time. */
final readonly class OutlineController
{
    private const MAX_FOUND = 200;

    public function __construct(private Permission $permission, private OutlineRows $rows)
    {
    }

    #[OA\Get(path: '/sites/{site}/outline', operationId: 'outline', description: 'Counts, the top of the tree, and the first children of the branches named in open (identities, comma between); with reveal, of the branches down to that page too. What does not fit is fetched by branch.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'open', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'reveal', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Outline')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function show(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        $open = array_slice(array_filter(explode(',', $request->string('open')->value())), 0, 50);
        $reveal = $request->string('reveal')->value();
        $line = $reveal === '' ? [] : $this->rows->lineTo($site, $reveal);
        $top = $this->rows->children($site, null);
        $branches = [['parent' => null, 'total' => count($top) < OutlineRows::PIECE ? count($top) : $this->rows->childCount($site, null), 'offset' => 0, 'rows' => $top]];
        $room = OutlineRows::FIRST - count($top);
        foreach ($this->rows->branches($site, array_values(array_unique([...$line, ...$open]))) as $parent => $rows) {
            if ($room <= 0) {
                break;
            }
            $rows = array_slice($rows, 0, $room);
            $room -= count($rows);
            $branches[] = ['parent' => $parent, 'total' => $this->rows->childCount($site, $parent), 'offset' => 0, 'rows' => $rows];
        }

        return new JsonResponse(['counts' => $this->rows->counts($site), 'branches' => $branches]);
    }

    #[OA\Get(path: '/sites/{site}/branch', operationId: 'branch', description: 'A piece of the children of one page; without parent, of the top.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'parent', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'offset', in: 'query', schema: new OA\Schema(type: 'integer'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Branch')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function branch(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        $parent = $request->string('parent')->value();
        $parent = $parent === '' ? null : $parent;
        $offset = max(0, $request->integer('offset'));

        return new JsonResponse([
            'parent' => $parent, 'total' => $this->rows->childCount($site, $parent), 'offset' => $offset,
            'rows' => $this->rows->children($site, $parent, $offset),
        ]);
    }

    #[OA\Get(path: '/sites/{site}/filter', operationId: 'filter', description: 'Pages whose name or address holds the text, of the states, kinds and layouts named (commas between), with their ancestors, in tree order.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'text', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'state', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'kind', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'layout', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/FilteredOutline')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function filter(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        $filter = $this->asked($request);
        [$total, $rows] = $filter->asksNothing() ? [0, []] : $this->rows->matching($site, $filter, self::MAX_FOUND);

        return new JsonResponse(['total' => $total, 'facets' => $this->rows->facets($site, $filter), 'rows' => $rows]);
    }

    #[OA\Get(path: '/sites/{site}/filter/pages', operationId: 'filteredPages', description: 'The identities of all pages that a filter finds, up to as many as a change takes.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'text', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'state', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'kind', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'layout', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(type: 'string'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function pages(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);

        return new JsonResponse($this->rows->ids($site, $this->asked($request), Batch::MAX_PAGES));
    }

    private function asked(Request $request): PageFilter
    {
        return PageFilter::of(array_map(static fn (string $field): string => $request->string($field)->value(), ['text' => 'text', 'state' => 'state', 'kind' => 'kind', 'layout' => 'layout']));
    }
}
