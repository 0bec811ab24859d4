<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Matching\MatchLists;
use App\Desk\Matching\ReadMatchLists;
use App\Desk\Matching\ReadOldPages;
use App\Desk\ReadSeenPart;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Models\MatchList;
use App\Models\Site;
use App\Models\SiteImport;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\OldAddresses;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Lists of old addresses: kept, matched to pages, and worked on by several people until their redirects are made. */
final readonly class MatchListsController
{
    private const MAX_TEXT = 32_000_000;

    private const MAX_FILE = 256 * 1024 * 1024;

    /** Most rows that are chosen for at once. */
    private const MAX_ROWS = 1000;

    public function __construct(
        private MatchLists $lists,
        private ReadOldPages $read,
        private ReadMatchLists $view,
        private RightsOn $rights,
        private ReadSeenPart $part,
    ) {
    }

    #[
        OA\Get(
            path: '/sites/{site}/match-lists',
            operationId: 'matchLists',
            description: 'The lists of old addresses that are kept, what was worked on last first.',
            responses: [new Answer('MatchListItem', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        $this->guard($request, $site);

        return new JsonResponse($this->view->items($site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/match-lists',
            operationId: 'makeMatchList',
            description: 'Keeps a list of old addresses and matches it: a text (one a line, a table, a sitemap, an access log), the same as a file, saved HTML pages as a ZIP file, or the pages that an import has read.',
            requestBody: new OA\RequestBody(
                required: true,
                content: [
                    new OA\MediaType(
                        mediaType: 'application/json',
                        schema: new OA\Schema(
                            required: ['name'],
                            type: 'object',
                            properties: [
                                new OA\Property('name', type: 'string'),
                                new OA\Property('text', type: 'string'),
                                new OA\Property('import', description: 'identity of an import that is read', type: 'string'),
                            ],
                        ),
                    ),
                    new OA\MediaType(
                        mediaType: 'multipart/form-data',
                        schema: new OA\Schema(
                            required: ['name', 'file'],
                            type: 'object',
                            properties: [new OA\Property('name', type: 'string'), new OA\Property('file', type: 'string', format: 'binary')],
                        ),
                    ),
                ],
            ),
            responses: [new Answer('MatchList', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $this->guard($request, $site);
        $user = Signed::in($request);
        $name = ['name' => ['required', 'string', 'max:1000']];
        $refused = ['name.required' => 'Give the list a name.', 'name.string' => 'A name is a text.'];
        if ($request->hasFile('file') || str_starts_with((string) $request->header('Content-Type'), 'multipart/')) {
            $file = GivenFile::in($request, 'file', self::MAX_FILE, ' Give it in parts.', $name, $refused);
            $old = $this->read->file((string) $file->getRealPath(), $file->getClientOriginalName());
        } elseif ($request->has('import')) {
            $request->validate([...$name, 'import' => ['required', 'string', 'max:40']], $refused);
            $import = SiteImport::query()
                ->where('site_id', $site->id)
                ->where('ulid', $request->string('import')->value())
                ->first();
            $old = $this->read->import($import ?? throw new InputRefused('import', 'There is no such import. It may have been forgotten since.'));
        } else {
            $request->validate(
                [...$name, 'text' => ['required', 'string', 'max:'.self::MAX_TEXT]],
                [...$refused, 'text.required' => 'Paste a list, or choose a file.', 'text.max' => 'This is more than can be matched at once: 32 MB.'],
            );
            $old = OldAddresses::read($request->string('text')->value());
        }

        return new JsonResponse($this->view->of($this->lists->make($site, $user, $request->string('name')->value(), $old)), 201);
    }

    #[
        OA\Get(
            path: '/sites/{site}/match-lists/{list}',
            operationId: 'matchList',
            description: 'A list with its rows, or with those that changed since a revision.',
            parameters: [new Query('since', 'integer')],
            responses: [new Answer('MatchList')],
        ),
    ]
    public function show(Request $request, Site $site, MatchList $list): JsonResponse
    {
        $this->guard($request, $site);
        $given = $request->validate(['since' => ['sometimes', 'integer', 'min:-1', 'max:9000000000000000']]);

        return new JsonResponse($this->view->of($list, (int) ($given['since'] ?? -1)));
    }

    #[
        OA\Patch(
            path: '/sites/{site}/match-lists/{list}',
            operationId: 'describeMatchList',
            description: 'Names a list, says from which confidence on it accepts what is proposed, and what words of the old site stand for. What is not given stays.',
            requestBody: new Body('MatchListSaid'),
            responses: [new Answer('MatchListItem')],
        ),
    ]
    public function update(Request $request, Site $site, MatchList $list): JsonResponse
    {
        $this->guard($request, $site);
        /** @var array{name?: string, threshold?: int, glossary?: string} $given */
        $given = $request->validate(
            [
                'name' => ['sometimes', 'required', 'string', 'max:1000'],
                'threshold' => ['sometimes', 'required', 'integer', 'min:0', 'max:100'],
                'glossary' => ['sometimes', 'present', 'string', 'max:'.MatchLists::MAX_GLOSSARY],
            ],
            [
                'name.required' => 'Give the list a name.',
                'threshold.*' => 'A threshold is a whole number from 0 to 100.',
                'glossary.max' => sprintf('At most %s characters fit here.', number_format(MatchLists::MAX_GLOSSARY)),
            ],
        );
        $this->lists->describe($list, $given);

        return new JsonResponse($this->view->item($list));
    }

    #[
        OA\Post(
            path: '/sites/{site}/match-lists/{list}/choices',
            operationId: 'chooseMatches',
            description: 'Says what becomes of some rows: the page they became, that nothing is there any more, or that they are left alone; null to take that back. All of them or none; refused with 412 where somebody else chose otherwise since the revision that is named.',
            requestBody: new Body('MatchChoices'),
            responses: [new Answer('MatchListItem')],
        ),
    ]
    public function choose(Request $request, Site $site, MatchList $list): JsonResponse
    {
        $this->guard($request, $site);
        /** @var array{rows: list<array{old: string, choice: string|null, page?: string|null, revision: int}>} $given */
        $given = $request->validate(
            [
                'rows' => ['required', 'array', 'list', 'max:'.self::MAX_ROWS],
                'rows.*' => ['array'],
                'rows.*.old' => ['required', 'string'],
                'rows.*.choice' => ['present', 'nullable', Rule::in(['page', 'gone', 'left'])],
                'rows.*.page' => ['sometimes', 'nullable', 'string'],
                'rows.*.revision' => ['required', 'integer', 'min:0', 'max:9000000000000000'],
            ],
            [
                'rows.max' => 'At most '.self::MAX_ROWS.' rows are chosen for at once.',
                'rows.*.choice.in' => 'A row becomes a page, is gone, or is left.',
            ],
        );
        $this->lists->choose($list, Signed::in($request), $given['rows']);

        return new JsonResponse($this->view->item($list->refresh()));
    }

    #[
        OA\Post(
            path: '/sites/{site}/match-lists/{list}/matched',
            operationId: 'matchAgain',
            description: 'Matches the list as the site stands, taught by what was chosen up to now. Answers with the rows that changed since a revision.',
            parameters: [new Query('since', 'integer')],
            responses: [new Answer('MatchList')],
        ),
    ]
    public function match(Request $request, Site $site, MatchList $list): JsonResponse
    {
        $this->guard($request, $site);
        $given = $request->validate(['since' => ['sometimes', 'integer', 'min:-1', 'max:9000000000000000']]);
        $this->lists->match($list);

        return new JsonResponse($this->view->of($list, (int) ($given['since'] ?? -1)));
    }

    #[
        OA\Get(
            path: '/sites/{site}/match-lists/{list}/file',
            operationId: 'matchListFile',
            description: 'The list as a table (CSV): each old address with what it becomes, how sure that is, and who chose it.',
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'CSV',
                    content: [new OA\MediaType(mediaType: 'text/csv', schema: new OA\Schema(type: 'string'))],
                ),
            ],
        ),
    ]
    public function file(Request $request, Site $site, MatchList $list): Response
    {
        $this->guard($request, $site);

        return new Response($this->view->csv($list), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="old-addresses.csv"',
        ]);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/match-lists/{list}',
            operationId: 'removeMatchList',
            description: 'Forgets a list. Redirects that were made of it stay.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function remove(Request $request, Site $site, MatchList $list): Response
    {
        $this->guard($request, $site);
        $list->delete();

        return new Response(status: 204);
    }

    /** What is proposed names pages of the whole site, to everybody who works on the list alike. */
    private function guard(Request $request, Site $site): void
    {
        if (! $this->part->isWhole($this->rights->held(Signed::in($request), $site))) {
            throw new BeyondRights('Lists of old addresses are worked on by those who see the whole site.');
        }
    }
}
