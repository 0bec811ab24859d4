<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ApplyChanges;
use App\Desk\KeepDraft;
use App\Desk\RightsOn;
use App\Desk\SaveContent;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\ContentView;
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
use Symfony\Component\HttpKernel\Exception\PreconditionRequiredHttpException;

/** The content of a page: saved versions, and what each person has typed since. */
final readonly class ContentController
{
    private const MAX_BYTES = 2_000_000;

    public function __construct(private RightsOn $rights, private SaveContent $save, private ApplyChanges $apply, private KeepDraft $drafts)
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
                    ],
                ),
            ),
            responses: [new Answer('Content')],
        ),
    ]
    public function update(Request $request, Site $site, Page $page): JsonResponse
    {
        $user = Signed::in($request);
        $match =
            $request->headers->get('If-Match') ??
            throw new PreconditionRequiredHttpException('Say which version you started from: send its number in If-Match.');
        $request->validate(
            ['note' => ['sometimes', 'string', 'max:500'], 'minor' => ['sometimes', 'boolean']],
            ['max' => 'A note has at most :max characters.'],
        );
        $this->save->save(
            $page,
            $user,
            Document::read($this->document($request)),
            (int) trim($match, 'W/"'),
            trim((string) $request->json('note', '')),
            (bool) $request->json('minor', false),
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
                    properties: [new OA\Property('document', ref: '#/components/schemas/Document'), new OA\Property('basedOn', type: 'integer')],
                ),
            ),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function keep(Request $request, Site $site, Page $page): Response
    {
        $user = Signed::in($request);
        $request->validate(
            ['basedOn' => ['required', 'integer', 'min:0']],
            ['*' => 'Say which version of the content these were begun from: a number, 0 for none.'],
        );
        $this->drafts->keep($page, $user, $this->document($request), (int) $request->json('basedOn', 0));

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
    public function publish(Request $request, Site $site, Page $page): JsonResponse
    {
        $user = Signed::in($request);
        try {
            $this->apply->apply($site, $user, Batch::of(new Publish($page->ulid)), rights: $this->rights->of($user, $site));
        } catch (NothingToChange) {
            // Visitors get everything already: that is what was asked for.
        }

        return $this->content($page->refresh(), $user);
    }

    private function content(Page $page, User $user): JsonResponse
    {
        [$own, $others] = $this->drafts->of($page, $user);
        $content = ContentView::of(PageContent::query()->with('savedBy')->find($page->id), $own, $others);

        return new JsonResponse($content, headers: ['ETag' => '"'.$content->version.'"']);
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
