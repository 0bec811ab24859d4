<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Outside\ReadOutsideLinks;
use App\Desk\Outside\TellEngines;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Models\Site;
use Heronstem\Core\Linking\OutsideState;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What the site asks of the world outside: links to other sites, and search engines that are told of changes. It is switched by a batch (`set-outside-services`). */
final readonly class OutsideController
{
    public function __construct(private ReadOutsideLinks $links, private TellEngines $engines)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/outside-links',
            operationId: 'outsideLinks',
            description: 'Links to other sites and how they answered, what is broken first, a hundred at a time.',
            parameters: [new Query('state', description: 'broken, moved, unknown or works'), new Query('offset', 'integer')],
            responses: [new Answer('OutsideLinks')],
        ),
    ]
    public function links(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(
            $this->links->of($site, OutsideState::tryFrom($request->string('state')->value()), min(max(0, $request->integer('offset')), 1_000_000)),
        );
    }

    #[
        OA\Post(
            path: '/sites/{site}/outside-links/again',
            operationId: 'tryOutsideLinks',
            description: 'Has one link, or all, tried as soon as it is their turn: one of a host at a time. Says how many.',
            requestBody: new Body('LinkToTry'),
            responses: [new Answer('LinksToBeTried')],
        ),
    ]
    public function tryAgain(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(['url' => ['present', 'nullable', 'string', 'max:4000']]);
        $links = $this->links->tryAgain($site, $given['url']);
        if ($links === 0 && $given['url'] !== null) {
            throw new NotFoundHttpException('No page links to that.');
        }

        return new JsonResponse(['links' => $links]);
    }

    #[
        OA\Get(
            path: '/sites/{site}/engine-messages',
            operationId: 'engineMessages',
            description: 'What search engines were told and what they answered (IndexNow), the newest first.',
            responses: [new Answer('EngineMessages')],
        ),
    ]
    public function messages(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->engines->read($site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/engine-messages/{message}/again',
            operationId: 'sendAgain',
            description: 'Sends a message that was refused once more.',
            parameters: [new OA\Parameter(name: 'message', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function sendAgain(Request $request, Site $site, string $message): Response
    {
        if (! $this->engines->again($site, (int) $message)) {
            throw new NotFoundHttpException('There is no such message that was refused.');
        }

        return new Response(status: 204);
    }
}
