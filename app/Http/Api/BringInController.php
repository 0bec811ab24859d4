<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\BringIn\ApplySource;
use App\Desk\BringIn\GiveSource;
use App\Desk\BringIn\PlaceSource;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Http\Api\Schema\SourceView;
use App\Models\Site;
use App\Models\SiteImport;
use Heronstem\Core\Interchange\Pages\PageRows;
use Heronstem\Core\Interchange\Pages\PlacedStatus;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Pages imported from what somebody has: given, understood, looked over as a tree, and applied as a change of the kind bring-in. */
final readonly class BringInController
{
    /** Most bytes of a file. */
    private const MAX_BYTES = 256 * 1024 * 1024;

    /** Most bytes of a text. */
    private const MAX_TEXT = 32_000_000;

    public function __construct(private GiveSource $give, private PlaceSource $place, private ApplySource $apply)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/bring-in',
            operationId: 'sources',
            description: 'What was given to be brought in and is neither applied nor discarded, the newest first; kept for some days.',
            responses: [new Answer('Source', list: true)],
        ),
    ]
    public function index(Site $site): JsonResponse
    {
        $open = SiteImport::query()
            ->where('site_id', $site->id)
            ->whereIn('state', ['reading', 'ready', 'failed', 'applying'])
            ->orderByDesc('id')
            ->limit(20)
            ->get();

        return new JsonResponse(array_map(SourceView::of(...), array_values($open->all())));
    }

    #[
        OA\Post(
            path: '/sites/{site}/bring-in',
            operationId: 'giveSource',
            description: 'Takes in what pages are to be made of: a table (CSV, JSON Lines, XLSX), a sitemap, a list of addresses, an access log, saved HTML or Markdown as a ZIP file, OPML, or a site file. Nothing is made yet.',
            requestBody: new OA\RequestBody(
                required: true,
                content: [
                    new OA\MediaType(
                        mediaType: 'application/json',
                        schema: new OA\Schema(
                            required: [],
                            type: 'object',
                            properties: [
                                new OA\Property('text', type: 'string'),
                                new OA\Property('name', type: 'string'),
                                new OA\Property(
                                    'address',
                                    description: 'of the living old site, which is read politely instead: what its robots.txt allows, one request at a time',
                                    type: 'string',
                                ),
                            ],
                        ),
                    ),
                    new OA\MediaType(
                        mediaType: 'multipart/form-data',
                        schema: new OA\Schema(
                            required: ['file'],
                            type: 'object',
                            properties: [new OA\Property('file', type: 'string', format: 'binary')],
                        ),
                    ),
                ],
            ),
            responses: [new Answer('Source', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        if ($request->hasFile('file') || str_starts_with((string) $request->header('Content-Type'), 'multipart/')) {
            $file = GivenFile::in($request, 'file', self::MAX_BYTES, ' Give it in parts.');
            $path = $file->getRealPath();
            $small = $file->getSize() <= GiveSource::AT_ONCE;
            $bytes = $small ? (string) $file->get() : fopen((string) $path, 'rb');
            abort_if($bytes === false, 422, 'The file did not arrive whole.');

            return new JsonResponse(SourceView::of($this->give->give($site, $user, $file->getClientOriginalName(), $bytes, 'file')), 201);
        }
        if ($request->has('address')) {
            $given = $request->validate(
                ['address' => ['required', 'string', 'max:2000']],
                ['address.required' => 'Type the address of the old site.', 'address.string' => 'This is a text.'],
            );

            return new JsonResponse(SourceView::of($this->give->giveSite($site, $user, $given['address'])), 201);
        }
        $given = $request->validate(
            ['text' => ['required', 'string', 'max:'.self::MAX_TEXT], 'name' => ['sometimes', 'nullable', 'string', 'max:200']],
            ['text.required' => 'Paste something, or choose a file.', 'text.max' => 'This is more than one text takes: 32 MB. Give it as a file.'],
        );

        return new JsonResponse(SourceView::of($this->give->give($site, $user, $given['name'] ?? 'pasted text', $given['text'], 'text')), 201);
    }

    #[
        OA\Get(
            path: '/sites/{site}/bring-in/{source}',
            operationId: 'source',
            description: 'What was given, as it was understood, and how far it has come.',
            responses: [new Answer('Source')],
        ),
    ]
    public function show(Site $site, SiteImport $source): JsonResponse
    {
        return new JsonResponse(SourceView::of($source));
    }

    #[
        OA\Patch(
            path: '/sites/{site}/bring-in/{source}',
            operationId: 'describeSource',
            description: 'Says how it is to be read, and what becomes of it. What is not given stays.',
            requestBody: new Body('SourceSaid'),
            responses: [new Answer('Source')],
        ),
    ]
    public function update(Request $request, Site $site, SiteImport $source): JsonResponse
    {
        $said = array_intersect_key((array) $request->json()->all(), SourceView::SAID);

        return new JsonResponse(SourceView::of($this->give->say($source, $said)));
    }

    #[
        OA\Get(
            path: '/sites/{site}/bring-in/{source}/pages',
            operationId: 'sourcePages',
            description: 'The tree that would come of it, with a word on every page: a piece at a time, of one status, or filtered by a text.',
            parameters: [
                new Query('status', description: 'new, between, changed, same, left, refused, or remarked'),
                new Query('text'),
                new Query('offset', 'integer'),
            ],
            responses: [new Answer('SourcePages')],
        ),
    ]
    public function pages(Request $request, Site $site, SiteImport $source): JsonResponse
    {
        $asked = $request->validate(
            [
                'status' => ['sometimes', 'nullable', Rule::in([...array_column(PlacedStatus::cases(), 'value'), 'remarked'])],
                'text' => ['sometimes', 'nullable', 'string', 'max:200'],
                'offset' => ['sometimes', 'nullable', 'integer', 'min:0', 'max:1000000'],
            ],
            ['status.in' => 'This is one of '.implode(', ', array_column(PlacedStatus::cases(), 'value')).' and remarked.'],
        );
        abort_unless(in_array($source->state, ['ready', 'applying'], true), 409, 'This is still being read, or was brought in already.');

        return new JsonResponse(
            SourceView::pages(
                $this->place->of($source),
                (string) ($asked['status'] ?? ''),
                (string) ($asked['text'] ?? ''),
                (int) ($asked['offset'] ?? 0),
            ),
        );
    }

    #[
        OA\Post(
            path: '/sites/{site}/bring-in/{source}/applied',
            operationId: 'applySource',
            description: 'Brings it in in the background, in one step; for what is large. Refused as a whole where a decision is open. With a change of the kind bring-in the same is done at once.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    type: 'object',
                    properties: [
                        new OA\Property('digest', description: 'of the ripple that was seen', type: 'string', nullable: true),
                        new OA\Property('note', type: 'string', nullable: true),
                        new OA\Property('decisions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Decision')),
                    ],
                ),
            ),
            responses: [new Answer('Source', status: 202, description: 'Being imported')],
        ),
    ]
    public function apply(Request $request, Site $site, SiteImport $source): JsonResponse
    {
        $given = $request->validate(
            [
                'digest' => ['sometimes', 'nullable', 'string', 'size:64'],
                'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
                'decisions' => ['sometimes', 'array', 'max:10000'],
            ],
            ['max' => 'A note has at most :max characters.'],
        );

        return new JsonResponse(
            SourceView::of(
                $this->apply->begin(
                    $source,
                    Signed::in($request),
                    $given['decisions'] ?? [],
                    $given['digest'] ?? null,
                    trim((string) ($given['note'] ?? '')),
                ),
            ),
            202,
        );
    }

    #[
        OA\Delete(
            path: '/sites/{site}/bring-in/{source}',
            operationId: 'discardSource',
            description: 'Stops reading it, or forgets what was given. What was brought in stays.',
            responses: [new OA\Response(response: 204, description: 'Forgotten')],
        ),
    ]
    public function remove(Site $site, SiteImport $source): Response
    {
        $this->give->discard($source);

        return new Response('', 204);
    }

    #[
        OA\Get(
            path: '/sites/{site}/bring-in-template',
            operationId: 'pageTableTemplate',
            description: 'A table of pages to fill in by hand.',
            responses: [new OA\Response(response: 200, description: 'The table', content: [new OA\MediaType(mediaType: 'text/csv')])],
        ),
    ]
    public function template(Site $site): Response
    {
        return new Response(PageRows::template(), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="pages-template.csv"',
        ]);
    }
}
