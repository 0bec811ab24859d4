<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Layout;
use App\Desk\Permission;
use App\Desk\ReadMenuFile;
use App\Desk\Resolvers;
use App\Desk\SiteMenus;
use App\Http\Api\Schema\MenuView;
use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use App\Store\MenusOfPage;
use App\Store\StoredMenus;
use App\Store\Unreached;
use Heronstem\Core\Menu\Audience;
use Heronstem\Core\Menu\EntryReader;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuChecks;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Menu\MenuPlace;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Illuminate\Database\Connection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Menus and picks as managers see them. They are changed by batches, like everything of the structure. */
final readonly class MenuController
{
    /** Most bytes of a menu file. */
    private const MAX_BYTES = 500_000;

    public function __construct(private Permission $permission, private Connection $db, private SiteMenus $menus, private MenusOfPage $standing, private ReadMenuFile $files, private Resolvers $resolvers)
    {
    }

    #[OA\Get(path: '/sites/{site}/menus', operationId: 'menus', description: 'The menus and picks of the site, and the places of its layout.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/MenuList')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function index(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);

        $start = static fn (?int $id): ?array => $id === null ? null : Page::query()->whereKey($id)->first(['ulid', 'name'])?->only(['ulid', 'name']);

        return new JsonResponse([
            'startPages' => ['visitors' => $start($site->start_page_id), 'signedIn' => $start($site->start_page_signed_in_id)],
            'places' => array_values(array_map(static fn (MenuPlace $place): array => ['key' => $place->key, 'name' => $place->name, 'kind' => $place->kind->value, 'levels' => $place->levels, 'most' => $place->most, 'widest' => $place->widest], Layout::places())),
            'menus' => array_values(array_map(static fn (Menu $menu): array => ['id' => $menu->id, 'name' => $menu->name, 'kind' => $menu->kind->value, 'place' => $menu->place, 'entries' => count($menu->entries)], $this->all($site))),
        ]);
    }

    #[OA\Get(path: '/sites/{site}/menus/{menu}', operationId: 'menu', description: 'A menu: its entries as they were set, as somebody sees them at a moment (hidden ones with the reason), and what is noticed.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/menu'), new OA\Parameter(name: 'who', description: 'visitors, signed-in, or roles:name,name', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'at', description: 'a moment, in the time of the site; now without one', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Menu')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function show(Request $request, Site $site, string $menu): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);

        return new JsonResponse($this->view($this->menu($site, $menu), $site, $request->query('who'), $request->query('at')));
    }

    #[OA\Post(path: '/sites/{site}/menus/{menu}/arranged', operationId: 'arrangedMenu', description: 'The menu as it would be with these entries. Writes nothing.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/menu')], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/MenuArrangement')), responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Menu')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function arranged(Request $request, Site $site, string $menu): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        $now = $this->menu($site, $menu);
        $entries = (new EntryReader($site->rules(), $site->zone, $now->id))->read($request->json('entries'));

        return new JsonResponse($this->view($now->with(array_column($entries, null, 'id')), $site, $request->json('who'), $request->json('at'), $now->version()));
    }

    #[OA\Get(path: '/sites/{site}/menus/{menu}/file', operationId: 'menuFile', description: 'The menu as a file: JSON with every field, or an OPML 2.0 outline of what visitors get.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/menu'), new OA\Parameter(name: 'format', in: 'query', schema: new OA\Schema(type: 'string', enum: ['json', 'opml']))], responses: [new OA\Response(response: 200, description: 'The file', content: [new OA\MediaType(mediaType: 'application/json'), new OA\MediaType(mediaType: 'text/x-opml')]), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function file(Request $request, Site $site, string $menu): Response
    {
        $this->permission->toSee(Signed::in($request), $site);
        $found = $this->menu($site, $menu);
        $isOpml = $request->query('format') === 'opml';
        $addresses = Page::query()->where('site_id', $site->id)->whereIn('ulid', $found->pagesNamed())->pluck('address', 'ulid')->all();
        $body = $isOpml ? MenuFile::opml($found->name, $this->menus->resolver($site, [$found->id => $found], Viewer::anybody())->shown($found), $site->origin) : MenuFile::json($found, $addresses);
        $name = preg_replace('/[^a-z0-9]+/', '-', strtolower($found->name)).($isOpml ? '.opml' : '.json');

        return new Response($body, 200, ['Content-Type' => $isOpml ? 'text/x-opml; charset=utf-8' : 'application/json', 'Content-Disposition' => "attachment; filename=\"$name\""]);
    }

    #[OA\Post(path: '/sites/{site}/menus/{menu}/read', operationId: 'readMenuFile', description: 'Reads a menu file (JSON or OPML), or an indented list of labels and addresses, into entries. Writes nothing.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/menu')], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['text'], type: 'object', properties: [new OA\Property('text', type: 'string')])), responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Menu')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function read(Request $request, Site $site, string $menu): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        $now = $this->menu($site, $menu);
        $text = $request->validate(['text' => ['required', 'string', 'max:'.self::MAX_BYTES]], ['text.required' => 'Paste a list, or choose a file.', 'text.max' => 'This is more than a menu can hold.'])['text'];
        $entries = $this->files->read($text, $site, $now->id);

        return new JsonResponse($this->view($now->with(array_column($entries, null, 'id')), $site, null, null, $now->version()));
    }

    #[OA\Get(path: '/sites/{site}/pages/{page}/menus', operationId: 'pageMenus', description: 'Where a page stands in menus and picks.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/page')], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuStanding'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function ofPage(Request $request, Site $site, Page $page): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);

        return new JsonResponse($this->standing->of($page, $site));
    }

    #[OA\Get(path: '/sites/{site}/menus-unreached', operationId: 'unreached', description: 'Live, listed pages that no menu leads to, with their clicks from the start page; null where nothing leads there at all.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Unreached')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function unreached(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);

        return new JsonResponse((new Unreached($this->db))->of($site, $this->menus->pages($site)));
    }

    private function view(Menu $menu, Site $site, mixed $who, mixed $at, ?string $basedOn = null): MenuView
    {
        $moment = is_string($at) && $at !== '' ? Moment::read($at, $site->zone, 'at') : null;
        $menus = [$menu->id => $menu];
        $whole = $this->menus->resolver($site, $menus, $this->viewer($who), $moment)->whole($menu);
        $place = $menu->place === null ? null : Layout::places()[$menu->place] ?? null;
        $findings = MenuChecks::of($this->menus->resolver($site, $menus, Viewer::anybody(), $moment)->whole($menu), $place, $this->resolvers->for($site));

        return MenuView::of($menu, $basedOn ?? $menu->version(), $whole, $findings, $this->names($menu, $site));
    }

    private function viewer(mixed $who): Viewer
    {
        if (! is_string($who) || $who === '' || $who === 'visitors') {
            return Viewer::visitor();
        }

        return Viewer::signedIn(...Audience::read($who)->roles);
    }

    /** @return array<string, string> names of the pages and files it leads to, by identity */
    private function names(Menu $menu, Site $site): array
    {
        return Page::query()->where('site_id', $site->id)->whereIn('ulid', $menu->pagesNamed())->pluck('name', 'ulid')->all()
            + File::query()->where('site_id', $site->id)->whereIn('ulid', $menu->filesNamed())->pluck('name', 'ulid')->all();
    }

    private function menu(Site $site, string $menu): Menu
    {
        return $this->all($site)[$menu] ?? throw new NotFoundHttpException('There is no such menu on this site. It may have been removed; reload the menus.');
    }

    /** @return array<string, Menu> */
    private function all(Site $site): array
    {
        return (new StoredMenus($this->db, $site))->all();
    }
}
