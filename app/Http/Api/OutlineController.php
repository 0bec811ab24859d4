<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ReadOutline;
use App\Desk\RightsOn;
use App\Desk\RowRights;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The page tree, a piece at a time. */
final readonly class OutlineController
{
    public function __construct(private ReadOutline $outline, private RowRights $rowRights, private RightsOn $rights)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/outline',
            operationId: 'outline',
            description: 'Counts, the top of the tree, and the first children of the branches named in open (identities, comma between); with reveal, of the branches down to that page too. What does not fit is fetched by branch.',
            parameters: [new Query('open'), new Query('reveal')],
            responses: [new Answer('Outline')],
        ),
    ]
    public function show(Request $request, Site $site): JsonResponse
    {
        $reveal = $request->string('reveal')->value();

        $opened = $this->outline->opened(
            $site,
            array_values(array_filter(explode(',', $request->string('open')->value()))),
            $reveal === '' ? null : $reveal,
        );

        return $this->told($request, $site, $opened, array_values(array_merge(...array_column($opened['branches'], 'rows'))));
    }

    #[
        OA\Get(
            path: '/sites/{site}/branch',
            operationId: 'branch',
            description: 'A piece of the children of one page; without parent, of the top.',
            parameters: [new Query('parent'), new Query('offset', 'integer')],
            responses: [new Answer('Branch')],
        ),
    ]
    public function branch(Request $request, Site $site): JsonResponse
    {
        $parent = $request->string('parent')->value();

        $branch = $this->outline->branch($site, $parent === '' ? null : $parent, max(0, $request->integer('offset')));

        return $this->told($request, $site, $branch, $branch['rows']);
    }

    #[
        OA\Get(
            path: '/sites/{site}/filter',
            operationId: 'filter',
            description: 'Pages whose name or address holds the text, of the states, kinds and layouts and with all the tags named (commas between), with their ancestors, in tree order; or, sorted by a column, without them.',
            parameters: [new Query('text'), new Query('state'), new Query('kind'), new Query('layout'), new Query('tag'), new Query('sort')],
            responses: [new Answer('FilteredOutline')],
        ),
    ]
    public function filter(Request $request, Site $site): JsonResponse
    {
        $filtered = $this->outline->filtered($site, self::asked($request), $request->string('sort')->value());

        return $this->told($request, $site, $filtered, $filtered['rows']);
    }

    #[
        OA\Get(
            path: '/sites/{site}/filter/pages',
            operationId: 'filteredPages',
            description: 'The identities of all pages that a filter finds, up to as many as a change takes.',
            parameters: [new Query('text'), new Query('state'), new Query('kind'), new Query('layout'), new Query('tag')],
            responses: [
                new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(type: 'string'))),
            ],
        ),
    ]
    public function pages(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->outline->ids($site, self::asked($request)));
    }

    /**
     * @param  array<string, mixed>  $answer
     * @param  list<\stdClass>  $rows  in it
     */
    private function told(Request $request, Site $site, array $answer, array $rows): JsonResponse
    {
        $this->rowRights->tell($rows, $this->rights->held(Signed::in($request), $site), $site);

        return new JsonResponse($answer);
    }

    /** @return array{text: string, state: string, kind: string, layout: string, tag: string} */
    private static function asked(Request $request): array
    {
        return array_map(static fn (string $field): string => $request->string($field)->value(), [
            'text' => 'text',
            'state' => 'state',
            'kind' => 'kind',
            'layout' => 'layout',
            'tag' => 'tag',
        ]);
    }
}
