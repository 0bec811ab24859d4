<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Accounts\LetPeopleIn;
use App\Desk\Accounts\SecurityLog;
use App\Http\Api\Description\Query;
use App\Http\InvalidInput;
use App\Http\Middleware\KnowWho;
use App\Models\Site;
use Heronstem\Core\Access\Who;
use Heronstem\Core\Interchange\Table;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who is let in, with what, and what happened at the door. */
final readonly class DoorController
{
    /** Lines of the log that are written out. */
    private const MOST = 100_000;

    public function __construct(private LetPeopleIn $door, private SecurityLog $log)
    {
    }

    #[
        OA\Put(
            path: '/sites/{site}/people/{person}/disabled',
            operationId: 'disablePerson',
            description: 'Lets somebody in no longer, from this moment on. Where they work on no other site, sessions and tokens end.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/person')],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function disable(Request $request, Site $site, string $person): Response
    {
        $this->door->disable($site, Signed::in($request), $person);

        return new Response(status: 204);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/people/{person}/disabled',
            operationId: 'enablePerson',
            description: 'Lets somebody in again.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/person')],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function enable(Request $request, Site $site, string $person): Response
    {
        $this->door->enable($site, Signed::in($request), $person);

        return new Response(status: 204);
    }

    #[
        OA\Put(
            path: '/sites/{site}/roles/{role}/second-step',
            operationId: 'needSecondStep',
            description: 'Whoever has the role needs a second step to sign in; without one they are let in nowhere until they have set it up.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/role')],
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['isNeeded'], type: 'object', properties: [new OA\Property('isNeeded', type: 'boolean')]),
            ),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function needSecondStep(Request $request, Site $site, string $role): Response
    {
        $given = $request->validate(['isNeeded' => ['required', 'boolean:strict']], ['isNeeded' => 'This is true or false.']);
        $this->door->needSecondStep($site, Signed::in($request), $role, $given['isNeeded']);

        return new Response(status: 204);
    }

    #[
        OA\Put(
            path: '/sites/{site}/looking-as',
            operationId: 'lookAs',
            description: 'Looks at the site as a role or a person would have it, as far as one may see it oneself, until one stops; nothing can be done meanwhile.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['who'],
                    type: 'object',
                    properties: [new OA\Property('who', description: 'role: and a key, or person: and an identity', type: 'string')],
                ),
            ),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function lookAs(Request $request, Site $site): Response
    {
        if (! $request->hasSession()) {
            throw new InvalidInput(422, 'who', 'A token looks as nobody else. Sign in with the browser for this.');
        }
        $who = Who::read($request->json('who'), 'who');
        $name = $this->door->nameOf($site, $who);
        $request->session()->put(KnowWho::LOOKS_AS, ['site' => $site->id, 'who' => $who->toText(), 'name' => $name]);

        return new Response(status: 204);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/looking-as',
            operationId: 'lookAsOneself',
            description: 'Looks at the site as oneself again.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function stopLooking(Request $request, Site $site): Response
    {
        if ($request->hasSession()) {
            $request->session()->forget(KnowWho::LOOKS_AS);
        }

        return new Response(status: 204);
    }

    #[
        OA\Get(
            path: '/sites/{site}/security-log',
            operationId: 'securityLog',
            description: 'Sign-ins of those who work on the site, refusals, and changes of rights; newest first. As CSV with everything there is.',
            parameters: [
                new Query('before', 'integer', description: 'only lines older than this one'),
                new Query('format', description: 'csv for the whole list as a file'),
            ],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'Lines, or CSV (RFC 4180) where that is asked for',
                    content: [new OA\JsonContent(ref: '#/components/schemas/SecurityLog'), new OA\MediaType(mediaType: 'text/csv')],
                ),
            ],
        ),
    ]
    public function log(Request $request, Site $site): JsonResponse|StreamedResponse
    {
        if ($request->query('format') === 'csv') {
            return $this->csv($site);
        }
        $before = $request->query('before');
        $lines = $this->log->ofSite(
            $site,
            is_string($before) && preg_match('/^\d{1,18}$/D', $before) === 1 ? (int) $before : null,
            SecurityLog::PIECE + 1,
        );

        return new JsonResponse(['lines' => array_slice($lines, 0, SecurityLog::PIECE), 'more' => count($lines) > SecurityLog::PIECE]);
    }

    private function csv(Site $site): StreamedResponse
    {
        $lines = $this->log->ofSite($site, null, self::MOST);

        return new StreamedResponse(
            static function () use ($lines): void {
                echo Table::csv(['at', 'what', 'who', 'network', 'device', 'detail']);
                foreach ($lines as $line) {
                    $cells = [$line['at'], $line['kind'], $line['who'], $line['network'], $line['device'], $line['detail']];
                    echo Table::csv($cells);
                }
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$site->key}-security-log.csv\""],
        );
    }
}
