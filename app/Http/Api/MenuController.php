<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Design\Places;
use App\Desk\ReadMenuFile;
use App\Desk\ReadMenus;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Http\Api\Schema\MenuView;
use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Menu\Audience;
use Heronstem\Core\Menu\EntryReader;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuPlace;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
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

    public function __construct(private ReadMenus $menus, private ReadMenuFile $files)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/menus',
            operationId: 'menus',
            description: 'The menus and picks of the site, and the places of its layout.',
            responses: [new Answer('MenuList')],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse([
            'startPages' => $this->menus->startPages($site),
            'places' => array_values(
                array_map(
                    static fn (MenuPlace $place): array => [
                        'key' => $place->key,
                        'name' => $place->name,
                        'kind' => $place->kind->value,
                        'levels' => $place->levels,
                        'most' => $place->most,
                        'widest' => $place->widest,
                    ],
                    Places::all(),
                ),
            ),
            'menus' => array_values(
                array_map(
                    static fn (Menu $menu): array => [
                        'id' => $menu->id,
                        'name' => $menu->name,
                        'kind' => $menu->kind->value,
                        'place' => $menu->place,
                        'entries' => count($menu->entries),
                    ],
                    $this->menus->all($site),
                ),
            ),
        ]);
    }

    #[
        OA\Get(
            path: '/sites/{site}/menus/{menu}',
            operationId: 'menu',
            description: 'A menu: its entries as they were set, as somebody sees them at a moment (hidden ones with the reason), and what is noticed.',
            parameters: [
                new Query('who', description: 'visitors, signed-in, or roles:name,name'),
                new Query('at', description: 'a moment, in the time of the site; now without one'),
            ],
            responses: [new Answer('Menu')],
        ),
    ]
    public function show(Request $request, Site $site, string $menu): JsonResponse
    {
        return new JsonResponse($this->view($this->menu($site, $menu), $site, $request->query('who'), $request->query('at')));
    }

    #[
        OA\Post(
            path: '/sites/{site}/menus/{menu}/arranged',
            operationId: 'arrangedMenu',
            description: 'The menu as it would be with these entries. Writes nothing.',
            requestBody: new Body('MenuArrangement'),
            responses: [new Answer('Menu')],
        ),
    ]
    public function arranged(Request $request, Site $site, string $menu): JsonResponse
    {
        $now = $this->menu($site, $menu);
        $entries = (new EntryReader($site->rules(), $site->zone, $now->id))->read($request->json('entries'));

        return new JsonResponse(
            $this->view($now->with(array_column($entries, null, 'id')), $site, $request->json('who'), $request->json('at'), $now->version()),
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/menus/{menu}/file',
            operationId: 'menuFile',
            description: 'The menu as a file: JSON with every field, or an OPML 2.0 outline of what visitors get.',
            parameters: [new OA\Parameter(name: 'format', in: 'query', schema: new OA\Schema(type: 'string', enum: ['json', 'opml']))],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'The file',
                    content: [new OA\MediaType(mediaType: 'application/json'), new OA\MediaType(mediaType: 'text/x-opml')],
                ),
            ],
        ),
    ]
    public function file(Request $request, Site $site, string $menu): Response
    {
        $found = $this->menu($site, $menu);
        $isOpml = $request->query('format') === 'opml';
        $body = $isOpml ? $this->menus->opml($found, $site) : $this->menus->json($found, $site);
        $name = preg_replace('/[^a-z0-9]+/', '-', strtolower($found->name)).($isOpml ? '.opml' : '.json');

        return new Response($body, 200, [
            'Content-Type' => $isOpml ? 'text/x-opml; charset=utf-8' : 'application/json',
            'Content-Disposition' => "attachment; filename=\"$name\"",
        ]);
    }

    #[
        OA\Post(
            path: '/sites/{site}/menus/{menu}/read',
            operationId: 'readMenuFile',
            description: 'Reads a menu file (JSON or OPML), or an indented list of labels and addresses, into entries. Writes nothing.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['text'], type: 'object', properties: [new OA\Property('text', type: 'string')]),
            ),
            responses: [new Answer('Menu')],
        ),
    ]
    public function read(Request $request, Site $site, string $menu): JsonResponse
    {
        $now = $this->menu($site, $menu);
        $text = $request->validate(
            ['text' => ['required', 'string', 'max:'.self::MAX_BYTES]],
            ['text.required' => 'Paste a list, or choose a file.', 'text.max' => 'This is more than a menu can hold.'],
        )['text'];
        $entries = $this->files->read($text, $site, $now->id);

        return new JsonResponse($this->view($now->with(array_column($entries, null, 'id')), $site, null, null, $now->version()));
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/menus',
            operationId: 'pageMenus',
            description: 'Where a page stands in menus and picks.',
            responses: [new Answer('MenuOfPage', list: true)],
        ),
    ]
    public function ofPage(Request $request, Site $site, Page $page): JsonResponse
    {
        return new JsonResponse($this->menus->ofPage($page, $site));
    }

    #[
        OA\Get(
            path: '/sites/{site}/menus-unreached',
            operationId: 'unreached',
            description: 'Live, listed pages that no menu leads to, with their clicks from the start page; null where nothing leads there at all.',
            responses: [new Answer('Unreached')],
        ),
    ]
    public function unreached(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->menus->unreached($site));
    }

    private function view(Menu $menu, Site $site, mixed $who, mixed $at, ?string $basedOn = null): MenuView
    {
        $moment = is_string($at) && $at !== '' ? Moment::read($at, $site->zone, 'at') : null;
        $whole = $this->menus->whole($menu, $site, $this->viewer($who), $moment);

        return MenuView::of(
            $menu,
            $basedOn ?? $menu->version(),
            $whole,
            $this->menus->findings($menu, $site, $moment),
            $this->menus->names($menu, $site),
        );
    }

    private function viewer(mixed $who): Viewer
    {
        if (! is_string($who) || $who === '' || $who === 'visitors') {
            return Viewer::visitor();
        }

        return Viewer::signedIn(...Audience::read($who)->roles);
    }

    private function menu(Site $site, string $menu): Menu
    {
        return $this->menus->all($site)[$menu] ??
            throw new NotFoundHttpException('There is no such menu on this site. It may have been removed; reload the menus.');
    }
}
