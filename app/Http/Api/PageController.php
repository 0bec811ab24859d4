<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\CachedMenus;
use App\Desk\DescribePage;
use App\Desk\Layout;
use App\Desk\Permission;
use App\Http\Api\Schema\PageSheet;
use App\Http\Api\Schema\SearchView;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Search\HeadTags;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\PreconditionFailedHttpException;
use Symfony\Component\HttpKernel\Exception\PreconditionRequiredHttpException;

/** One page: what is set on it besides its place, name and slug. */
final readonly class PageController
{
    private const FIELDS = ['heading' => 'heading', 'summary' => 'summary', 'searchTitle' => 'search_title', 'searchDescription' => 'search_description', 'layout' => 'layout', 'indexed' => 'indexed'];

    public function __construct(private Permission $permission, private DescribePage $describe, private CachedMenus $menus)
    {
    }

    #[OA\Get(path: '/sites/{site}/pages/{page}', operationId: 'page', description: 'Everything about a page but its words; the ETag goes back in If-Match.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/page')], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/PageSheet')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function show(Request $request, Site $site, Page $page): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);

        return $this->sheet($page, $site);
    }

    #[OA\Patch(path: '/sites/{site}/pages/{page}', operationId: 'updatePage', description: 'Sets heading (null lets it follow the name), summary, layout, search title, search description, or whether search engines may list the page.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/page'), new OA\Parameter(ref: '#/components/parameters/ifMatch')], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: [], type: 'object', properties: [new OA\Property('heading', type: 'string', nullable: true), new OA\Property('summary', type: 'string'), new OA\Property('searchTitle', type: 'string'), new OA\Property('searchDescription', type: 'string'), new OA\Property('layout', type: 'string', enum: ['page', 'section', 'home', 'site-map'])])), responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/PageSheet')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function update(Request $request, Site $site, Page $page): JsonResponse
    {
        $user = Signed::in($request);
        $this->permission->toWrite($user, $site, $page);
        $given = $request->validate([
            'heading' => ['sometimes', 'nullable', 'string', 'max:300'], 'summary' => ['sometimes', 'string', 'max:2000'],
            'layout' => ['sometimes', Rule::in(Layout::PAGES)],
            'searchTitle' => ['sometimes', 'string', 'max:300'], 'searchDescription' => ['sometimes', 'string', 'max:1000'],
            'indexed' => ['sometimes', 'boolean:strict'],
        ], [
            'layout.in' => 'A layout is one of '.implode(', ', Layout::PAGES).'.', 'max' => 'At most :max characters fit here.', 'string' => 'This is a text.', 'boolean' => 'Search engines may list the page, or not: true or false.',
        ]);
        $match = $request->headers->get('If-Match') ?? throw new PreconditionRequiredHttpException('Say which version you started from: send the ETag of the page in If-Match.');
        if ($match !== '*' && trim($match, 'W/') !== $this->tag($page)) {
            throw new PreconditionFailedHttpException('Somebody changed this page meanwhile. Load it again and compare; what you typed is still here.');
        }
        $fields = ['changed_by' => $user->id, 'version' => $page->version + 1];
        foreach ($given as $field => $text) {
            if ($field === 'indexed') {
                $fields['indexed'] = $text;

                continue;
            }
            $folded = $text === null ? null : trim((string) preg_replace('/\s+/u', ' ', $text));
            $fields[self::FIELDS[$field]] = $field === 'heading' && ($folded === '' || $folded === $page->name) ? null : (string) $folded;
        }
        $changed = Page::query()->whereKey($page->id)->where('version', $page->version)->update($fields);
        if ($changed === 0) {
            throw new PreconditionFailedHttpException('Somebody changed this page at the same moment. Load it again and compare.');
        }

        if (isset($fields['summary'])) {
            $this->menus->forgetAll($site); // cards show it
        }

        return $this->sheet($page->refresh(), $site);
    }

    #[OA\Get(path: '/sites/{site}/pages/{page}/search', operationId: 'searchAppearance', description: 'Title tag and meta description as they are, or as they would be with the texts given.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/page'), new OA\Parameter(name: 'searchTitle', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'searchDescription', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/SearchAppearance')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function search(Request $request, Site $site, Page $page): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        foreach (['searchTitle' => 'search_title', 'searchDescription' => 'search_description'] as $given => $field) {
            if ($request->has($given)) {
                $page->setAttribute($field, $request->string($given)->value());
            }
        }

        return new JsonResponse(SearchView::of(HeadTags::of($this->describe->ofWorking($page), $site->facts())));
    }

    private function sheet(Page $page, Site $site): JsonResponse
    {
        return new JsonResponse(PageSheet::of($page, $site), headers: ['ETag' => $this->tag($page)]);
    }

    private function tag(Page $page): string
    {
        return '"'.$page->version.'"';
    }
}
