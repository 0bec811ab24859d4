<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Design\PlacedLayouts;
use App\Desk\Design\ReadLayouts;
use App\Desk\FieldFile;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Http\Api\Schema\LayoutView;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Layout\FaultyLayout;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\InputRefused;
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

    public function __construct(private ReadLayouts $layouts, private PlacedLayouts $placed, private FieldFile $file)
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

        $defaults = $site->searchSettings()->fieldDefaults;

        return new JsonResponse([
            'layouts' => array_values(
                array_map(
                    fn (Layout $layout): array => LayoutView::of(
                        $layout,
                        (int) ($pages[$layout->key] ?? 0),
                        $defaults[$layout->key] ?? [],
                        $this->groups($layout, $site),
                    ),
                    $this->layouts->all()->all,
                ),
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
            parameters: [new Query('group', description: 'only pages in the branch of this group, with the fields that it gives')],
            responses: [new Answer('LayoutPage', list: true)],
        ),
    ]
    public function pages(Request $request, Site $site, string $layout): JsonResponse
    {
        $pages = $this->file->pages($site, $this->layout($layout), $this->group($request, $site));
        $named = array_merge([], ...array_map(static fn (TreePage $page): array => $page->working()->fields->pages(), $pages));
        $names = Page::query()->where('site_id', $site->id)->whereIn('ulid', $named)->pluck('name', 'ulid')->all();

        return new JsonResponse(
            array_map(static function (TreePage $page) use ($names): array {
                $fields = $page->working()->fields;

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
            parameters: [new Query('group', description: 'only pages in the branch of this group, with the fields that it gives')],
            responses: [
                new OA\Response(response: 200, description: 'CSV', content: new OA\MediaType('text/csv', schema: new OA\Schema(type: 'string'))),
            ],
        ),
    ]
    public function export(Request $request, Site $site, string $layout): StreamedResponse
    {
        $group = $this->group($request, $site);
        $of = $this->layout($layout, $group);

        return new StreamedResponse(
            function () use ($site, $of, $group): void {
                foreach ($this->file->lines($site, $of, $group) as $line) {
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
            parameters: [new Query('group', description: 'only pages in the branch of this group, with the fields that it gives')],
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

        return new JsonResponse($this->file->read($site, $this->layout($layout, $this->group($request, $site)), $given['text']));
    }

    private function layout(string $key, ?Page $group = null): Layout
    {
        $layout = $this->layouts->all()->all[$key] ?? throw new NotFoundHttpException('There is no such layout.');

        return $group === null ? $layout : $this->placed->inside($group, $layout);
    }

    /** The group whose branch is asked for; null for the whole site. */
    private function group(Request $request, Site $site): ?Page
    {
        $given = $request->validate(['group' => ['sometimes', 'string', 'ulid']], ['group' => 'This is the id of a page.']);

        return isset($given['group'])
            ? Page::query()->where('site_id', $site->id)->where('ulid', $given['group'])->where('state', '<>', 'bin')->first() ??
                    throw new InputRefused('group', 'There is no such group. It may be in the bin.')
            : null;
    }

    /** @return list<array<string, mixed>>|null */
    private function groups(Layout $layout, Site $site): ?array
    {
        if ($layout->fieldsFrom === null) {
            return null;
        }
        $groups = [];
        foreach ($this->placed->groupsOf($site, $layout) as [$group, $placed, $pages]) {
            $groups[] = LayoutView::group($group, $placed, $pages);
        }

        return $groups;
    }
}
