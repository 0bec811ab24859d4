<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ApplyChanges;
use App\Desk\KeepDraft;
use App\Desk\MetWishes;
use App\Desk\RightsOn;
use App\Desk\SaveContent;
use App\Desk\TypedTexts;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\ContentView;
use App\Http\Middleware\InPlan;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\NothingToChange;
use Heronstem\Core\Change\Publish;
use Heronstem\Core\Content\Document;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** The content of a page: saved versions, and what each person has typed since. */
final readonly class ContentController
{
    private const MAX_BYTES = 2_000_000;

    private const TEXTS = [
        'texts' => ['sometimes', 'array'],
        'textsBefore' => ['sometimes', 'array'],
        'texts.heading' => ['required_with:texts', 'string', 'max:300'],
        'texts.summary' => ['present_with:texts', 'string', 'max:2000'],
        'textsBefore.heading' => ['required_with:textsBefore', 'string', 'max:300'],
        'textsBefore.summary' => ['present_with:textsBefore', 'string', 'max:2000'],
    ];

    private const TEXTS_REFUSED = [
        'texts.heading.required_with' => 'A page needs a heading.',
        'texts.*.max' => 'At most :max characters fit here.',
        'texts.*' => 'Heading and summary are texts.',
        'textsBefore.*' => 'Heading and summary are texts.',
    ];

    /** What is needed to write, which is much, is asked for by what writes. */
    public function __construct(private RightsOn $rights, private KeepDraft $drafts, private MetWishes $wishes)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/content',
            operationId: 'content',
            description: 'The saved content, one\'s own unsaved draft, and who else has unsaved one.',
            responses: [new Answer('Content')],
        ),
    ]
    public function show(Request $request, Site $site, Page $page): JsonResponse
    {
        $user = Signed::in($request);

        return $this->content($page, $user);
    }

    #[
        OA\Put(
            path: '/sites/{site}/pages/{page}/content',
            operationId: 'saveContent',
            description: 'Saves content as a new version; refused with 412 and the other version when somebody saved meanwhile. If-Match holds the version started from.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/ifMatch')],
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['document'],
                    type: 'object',
                    properties: [
                        new OA\Property('document', ref: '#/components/schemas/Document'),
                        new OA\Property('note', type: 'string'),
                        new OA\Property('minor', type: 'boolean'),
                        new OA\Property('texts', ref: '#/components/schemas/TypedTexts'),
                        new OA\Property(
                            'textsBefore',
                            description: 'those that stood there when texts were begun',
                            ref: '#/components/schemas/TypedTexts',
                        ),
                    ],
                ),
            ),
            responses: [new Answer('Content')],
        ),
    ]
    public function update(Request $request, Site $site, Page $page, SaveContent $save): JsonResponse
    {
        $user = Signed::in($request);
        if ($request->attributes->get(InPlan::STEP) === true) {
            return $this->content($page, $user);
        }
        $match = StartedFrom::in($request, 'its number');
        $request->validate(
            ['note' => ['sometimes', 'string', 'max:500'], 'minor' => ['sometimes', 'boolean'], ...self::TEXTS],
            ['note.max' => 'A note has at most :max characters.', ...self::TEXTS_REFUSED],
        );
        $texts = self::texts($request, 'texts');
        $save->save(
            $page,
            $user,
            Document::read($this->document($request)),
            (int) trim($match, 'W/"'),
            trim((string) $request->json('note', '')),
            (bool) $request->json('minor', false),
            $texts === null ? null : new TypedTexts(self::texts($request, 'textsBefore') ?? TypedTexts::of($page), $texts),
        );

        return $this->content($page->refresh(), $user);
    }

    #[
        OA\Put(
            path: '/sites/{site}/pages/{page}/draft',
            operationId: 'keepDraft',
            description: 'Keeps what one has typed and not saved, unchecked, so that it is never lost.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['document', 'basedOn'],
                    type: 'object',
                    properties: [
                        new OA\Property('document', ref: '#/components/schemas/Document'),
                        new OA\Property('texts', ref: '#/components/schemas/TypedTexts'),
                        new OA\Property('basedOn', type: 'integer'),
                    ],
                ),
            ),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function keep(Request $request, Site $site, Page $page): Response
    {
        $user = Signed::in($request);
        $request->validate(
            ['basedOn' => ['required', 'integer', 'min:0'], ...self::TEXTS],
            [
                ...array_fill_keys(
                    ['basedOn.required', 'basedOn.integer', 'basedOn.min'],
                    'Say which version of the content these were begun from: a number, 0 for none.',
                ),
                ...self::TEXTS_REFUSED,
            ],
        );
        $this->drafts->keep($page, $user, $this->document($request), (int) $request->json('basedOn', 0), self::texts($request, 'texts'));

        return new Response(status: 204);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/pages/{page}/draft',
            operationId: 'dropDraft',
            description: 'Drops one\'s own unsaved content.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function drop(Request $request, Site $site, Page $page): Response
    {
        $user = Signed::in($request);
        $this->drafts->drop($page, $user);

        return new Response(status: 204);
    }

    #[
        OA\Post(
            path: '/sites/{site}/pages/{page}/publish',
            operationId: 'publishContent',
            description: 'Puts the saved content of a live page before visitors.',
            responses: [new Answer('Content')],
        ),
    ]
    public function publish(Request $request, Site $site, Page $page, ApplyChanges $apply): JsonResponse
    {
        $user = Signed::in($request);
        try {
            $apply->apply($site, $user, Batch::of(new Publish($page->ulid)), rights: $this->rights->of($user, $site));
        } catch (NothingToChange) {
            // Visitors get everything already: that is what was asked for.
        }

        return $this->content($page->refresh(), $user);
    }

    private function content(Page $page, User $user): JsonResponse
    {
        [$own, $others] = $this->drafts->of($page, $user);
        $content = ContentView::of($page, $own, $others)->showing(
            $this->wishes->turned(PageContent::document($page->content), $page->site)->toArray(),
        );

        return new JsonResponse($content, headers: ['ETag' => '"'.$content->version.'"']);
    }

    /** @return array{heading: string, summary: string}|null */
    private static function texts(Request $request, string $field): ?array
    {
        $texts = $request->json($field);

        return is_array($texts) ? ['heading' => (string) $texts['heading'], 'summary' => (string) $texts['summary']] : null;
    }

    /** @return array<mixed> */
    private function document(Request $request): array
    {
        $document = $request->json('document');
        if (! is_array($document) || strlen($request->getContent()) > self::MAX_BYTES) {
            throw ValidationException::withMessages([
                'document' => is_array($document)
                    ? 'This is longer than a page can hold. Split it over several pages.'
                    : 'Content is a document of blocks.',
            ]);
        }

        return $document;
    }
}
