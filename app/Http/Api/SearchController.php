<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Design\ReadLayouts;
use App\Desk\DrawLinks;
use App\Desk\ReadAppearance;
use App\Desk\ReadCrawling;
use App\Desk\ReadLinks;
use App\Desk\ReadSearchGrid;
use App\Desk\SamplePattern;
use App\Desk\SearchFile;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Identity;
use Heronstem\Core\Tree\PageTexts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What search engines are told: of one page, of all as a grid or a file, by patterns, by robots.txt and sitemap. It is changed by batches. */
final readonly class SearchController
{
    /** Most bytes of a file. */
    private const MAX_BYTES = 8_000_000;

    public function __construct(
        private ReadAppearance $appearance,
        private ReadSearchGrid $grid,
        private SamplePattern $patterns,
        private ReadCrawling $crawling,
        private SearchFile $file,
        private ReadLinks $links,
        private DrawLinks $drawing,
        private ReadLayouts $layouts,
    ) {
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/search',
            operationId: 'searchAppearance',
            description: 'How the page looks to search engines, with every check: as it stands, or with the texts and the canonical address given.',
            parameters: [
                new Query('heading'),
                new Query('summary'),
                new Query('searchTitle'),
                new Query('searchDescription'),
                new Query('socialTitle'),
                new Query('socialDescription'),
                new Query('canonical', description: '`itself`, `none`, the identity of a page, or a URL'),
                new Query('targetPhrase'),
            ],
            responses: [new Answer('SearchAppearance')],
        ),
    ]
    public function page(Request $request, Site $site, Page $page): JsonResponse
    {
        $texts = array_filter($request->query->all(), is_string(...));

        return new JsonResponse(
            $this->appearance->of(
                $page,
                $site,
                array_intersect_key($texts, PageTexts::MAX_LENGTHS),
                array_intersect_key($texts, ['canonical' => true, 'targetPhrase' => true]),
            ),
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/search-grid',
            operationId: 'searchGrid',
            description: 'Titles and descriptions of all pages, in the order of the tree; filtered by a text, state, layout, branch (a page) or finding (a check).',
            parameters: [
                new Query('text'),
                new Query('state'),
                new Query('layout'),
                new Query('branch'),
                new Query('check'),
                new Query('offset', 'integer'),
                new Query('limit', 'integer', '1 to 1,000'),
            ],
            responses: [new Answer('SearchGrid')],
        ),
    ]
    public function grid(Request $request, Site $site): JsonResponse
    {
        $limit = $request->integer('limit') ?: ReadSearchGrid::MAX_ROWS;

        return new JsonResponse(
            $this->grid->of(
                $site,
                self::filter($request),
                min(max(0, $request->integer('offset')), 10_000_000),
                min(max(1, $limit), ReadSearchGrid::MAX_ROWS),
            ),
        );
    }

    #[
        OA\Post(
            path: '/sites/{site}/search-grid/measured',
            operationId: 'measureTexts',
            description: 'How wide titles and descriptions are as they are typed, where results cut them, and whether another page has the same. Writes nothing.',
            requestBody: new Body('TextsToMeasure'),
            responses: [new Answer('MeasuredTexts', list: true)],
        ),
    ]
    public function measured(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            [
                'rows' => ['present', 'array', 'max:'.ReadSearchGrid::MAX_ROWS],
                'rows.*.page' => ['required', 'string', 'max:26'],
                'rows.*.title' => ['present', 'nullable', 'string', 'max:1000'],
                'rows.*.description' => ['present', 'nullable', 'string', 'max:4000'],
            ],
            ['rows.max' => 'At most '.ReadSearchGrid::MAX_ROWS.' rows are measured at once.'],
        );

        return new JsonResponse($this->grid->measured($site, array_values($given['rows'])));
    }

    #[
        OA\Get(
            path: '/sites/{site}/patterns',
            operationId: 'patterns',
            description: 'What is set for the site, its layouts and branches, which pages inherit.',
            responses: [new Answer('PatternScope', list: true)],
        ),
    ]
    public function patterns(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->patterns->settings($site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/patterns/tried',
            operationId: 'tryPattern',
            description: 'What patterns would make of the pages that inherit them: how many, how many titles would be cut, ten of them. Writes nothing.',
            requestBody: new Body('PatternToTry'),
            responses: [new Answer('PatternSample')],
        ),
    ]
    public function tried(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            [
                'branch' => ['sometimes', 'nullable', 'string', Rule::exists('pages', 'ulid')->where('site_id', $site->id)],
                'layout' => ['sometimes', 'nullable', Rule::in($layouts = $this->layouts->all()->keys())],
                'titlePattern' => ['sometimes', 'nullable', 'string', 'max:300'],
                'descriptionPattern' => ['sometimes', 'nullable', 'string', 'max:300'],
            ],
            ['branch.exists' => 'There is no such page on this site.', 'layout.in' => 'A layout is one of '.implode(', ', $layouts).'.'],
        );

        return new JsonResponse(
            $this->patterns->of(
                $site,
                $given['branch'] ?? null,
                $given['layout'] ?? null,
                array_intersect_key($given, ['titlePattern' => true, 'descriptionPattern' => true]),
            ),
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/crawling',
            operationId: 'crawling',
            description: 'robots.txt, the sitemap, what is left out of it, and where the two contradict each other.',
            responses: [new Answer('Crawling')],
        ),
    ]
    public function crawling(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->crawling->of($site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/crawling/tried',
            operationId: 'tryRobots',
            description: 'Whether a crawler may fetch an address under these lines of robots.txt, and which line decides (RFC 9309). Writes nothing.',
            requestBody: new Body('RobotsToTry'),
            responses: [new Answer('RobotsVerdict')],
        ),
    ]
    public function triedRobots(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate([
            'lines' => ['present', 'nullable', 'string', 'max:100000'],
            'agent' => ['present', 'nullable', 'string', 'max:500'],
            'address' => ['present', 'nullable', 'string', 'max:2000'],
        ]);

        return new JsonResponse($this->crawling->test($site, $given['lines'] ?? '', $given['agent'] ?? '', $given['address'] ?? '/'));
    }

    #[
        OA\Get(
            path: '/sites/{site}/links',
            operationId: 'links',
            description: 'How pages are linked: by clicks, orphans, those that links give most weight, those that hardly anything leads to, and links written as addresses with where they lead.',
            responses: [new Answer('LinkOverview')],
        ),
    ]
    public function links(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->links->of($site));
    }

    #[
        OA\Get(
            path: '/sites/{site}/link-graph',
            operationId: 'linkGraph',
            description: 'The links of the site as a drawing: up to 2,000 live pages around the start page, on rings by clicks.',
            responses: [new Answer('LinkGraph')],
        ),
    ]
    public function graph(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->drawing->of($site));
    }

    #[
        OA\Get(
            path: '/sites/{site}/search-export',
            operationId: 'exportSearch',
            description: 'Titles, descriptions, canonical addresses and what engines are told of all pages, as CSV (RFC 4180) that the import reads again.',
            responses: [
                new OA\Response(response: 200, description: 'CSV', content: new OA\MediaType('text/csv', schema: new OA\Schema(type: 'string'))),
            ],
        ),
    ]
    public function export(Request $request, Site $site): StreamedResponse
    {
        return new StreamedResponse(
            function () use ($site): void {
                foreach ($this->file->lines($site) as $line) {
                    echo $line;
                }
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$site->key}-search.csv\""],
        );
    }

    #[
        OA\Post(
            path: '/sites/{site}/search-import',
            operationId: 'readSearchFile',
            description: 'Reads such a table: each row matched to a page by id or address, what it would change or why it cannot be taken, and the changes for a batch. Writes nothing.',
            requestBody: new Body('SearchFileText'),
            responses: [new Answer('SearchFileRead')],
        ),
    ]
    public function read(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            ['text' => ['required', 'string', 'max:'.self::MAX_BYTES]],
            ['text.required' => 'Paste a table, or choose a file.', 'text.max' => 'This is more than one import takes: 8 MB.'],
        );

        return new JsonResponse($this->file->read($site, $given['text']));
    }

    /** @return array{text?: string, state?: string, layout?: string, branch?: string, check?: string} */
    private static function filter(Request $request): array
    {
        $filter = [];
        foreach (['text', 'state', 'layout', 'branch', 'check'] as $field) {
            $value = $request->string($field)->value();
            if ($value !== '' && ($field !== 'branch' || Identity::names($value))) {
                $filter[$field] = mb_substr($value, 0, 200);
            }
        }

        return $filter;
    }
}
