<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Design\ReadLayouts;
use App\Desk\FieldFile;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Schema\LayoutView;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Layout\FaultyLayout;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Tree\Page as TreePage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The layouts that pages may have. */
final readonly class LayoutController
{
    /** Longest table that is read, bytes. */
    private const MAX_BYTES = 8_000_000;

    public function __construct(private ReadLayouts $layouts, private FieldFile $file)
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
                array_map(static fn (Layout $layout): array => LayoutView::of($layout, (int) ($pages[$layout->key] ?? 0)), $this->layouts->all()->all),
            ),
            'faults' => array_map(
                static fn (FaultyLayout $fault): array => ['where' => $fault->where, 'reason' => $fault->reason],
                $this->layouts->faults(),
            ),
        ]);
    }

    #[
        OA\Get(
            path: '/sites/{site}/layouts/{layout}/pages',
            operationId: 'layoutPages',
            description: 'The pages of a layout, in the order of the tree, with what stands in their fields.',
            responses: [new Answer('LayoutPage', list: true)],
        ),
    ]
    public function pages(Site $site, string $layout): JsonResponse
    {
        $pages = $this->file->pages($site, $this->layout($layout));
        $named = array_merge([], ...array_map(static fn (TreePage $page): array => ($page->prepared ?? $page->texts)->fields->pages(), $pages));
        $names = Page::query()
            ->where('site_id', $site->id)
            ->whereIn('ulid', $named)
            ->pluck('name', 'ulid')
            ->all();

        return new JsonResponse(
            array_map(static function (TreePage $page) use ($names): array {
                $fields = ($page->prepared ?? $page->texts)->fields;

                return [
                    'id' => $page->id,
                    'name' => $page->name,
                    'address' => $page->address->path,
                    'state' => $page->state->value,
                    'fields' => (object) $fields->values,
                    'named' => (object) array_intersect_key($names, array_flip($fields->pages())),
                ];
            }, $pages),
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/layouts/{layout}/export',
            operationId: 'exportFields',
            description: 'The fields of all pages of a layout, as CSV (RFC 4180) that the import reads again.',
            responses: [
                new OA\Response(response: 200, description: 'CSV', content: new OA\MediaType('text/csv', schema: new OA\Schema(type: 'string'))),
            ],
        ),
    ]
    public function export(Site $site, string $layout): StreamedResponse
    {
        $of = $this->layout($layout);

        return new StreamedResponse(
            function () use ($site, $of): void {
                foreach ($this->file->lines($site, $of) as $line) {
                    echo $line;
                }
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$site->key}-{$of->key}.csv\""],
        );
    }

    #[
        OA\Post(
            path: '/sites/{site}/layouts/{layout}/import',
            operationId: 'readFields',
            description: 'Reads such a table: each row matched to a page by id or address, what it would change or why it cannot be taken, and the changes for a batch. Writes nothing.',
            requestBody: new Body('SearchFileText'),
            responses: [new Answer('SearchFileRead')],
        ),
    ]
    public function read(Request $request, Site $site, string $layout): JsonResponse
    {
        $given = $request->validate(
            ['text' => ['required', 'string', 'max:'.self::MAX_BYTES]],
            [
                'text.required' => 'Paste a table, or choose a file.',
                'text.max' => 'This is more than one import takes: 8 MB.',
                'text' => 'A table is a text.',
            ],
        );

        return new JsonResponse($this->file->read($site, $this->layout($layout), $given['text']));
    }

    private function layout(string $key): Layout
    {
        return $this->layouts->all()->all[$key] ?? throw new NotFoundHttpException('There is no such layout.');
    }
}
