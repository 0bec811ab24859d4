<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Accounts\KeepVisitors;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\Visitors\SignUp;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Accounts of visitors, who sign in at the public site. */
final readonly class VisitorsController
{
    public function __construct(private KeepVisitors $keep)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/visitors',
            operationId: 'visitors',
            description: 'Accounts of visitors, a piece at a time, and how they come to them. Takes the right access, as does everything about them.',
            parameters: [new Query('text'), new Query('offset', 'integer')],
            responses: [new Answer('Visitors')],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->keep->list($site, $request->string('text')->value(), max(0, min($request->integer('offset'), 10_000_000))));
    }

    #[
        OA\Post(
            path: '/sites/{site}/visitors',
            operationId: 'makeVisitor',
            description: 'Makes an account and sends the invitation. Where the installation sends no mail, the answer holds the link to hand over.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['name', 'email'],
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('email', type: 'string'),
                        new OA\Property('roles', type: 'array', items: new OA\Items(type: 'string')),
                    ],
                ),
            ),
            responses: [new Answer('MadeVisitor', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            ['name' => ['required', 'string', 'max:400'], 'email' => ['required', 'string', 'max:400']],
            ['name.required' => 'Say what they are called.', 'email.required' => 'Type their mail address.', 'string' => 'This is a text.'],
        );
        [$visitor, $link] = $this->keep->make($site, Signed::in($request), $given['name'], $given['email'], $request->json('roles') ?? []);

        return new JsonResponse(['visitor' => KeepVisitors::shown($visitor), 'link' => $link], 201);
    }

    #[
        OA\Patch(
            path: '/sites/{site}/visitors/{visitor}',
            operationId: 'changeVisitor',
            description: 'Sets name and roles, lets somebody in who asks, disables and enables; disabling ends sign-ins at once.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/visitor')],
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: [],
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('roles', type: 'array', items: new OA\Items(type: 'string')),
                        new OA\Property('isDisabled', type: 'boolean'),
                        new OA\Property('isAdmitted', type: 'boolean', enum: [true]),
                    ],
                ),
            ),
            responses: [new Answer('Visitor')],
        ),
    ]
    public function update(Request $request, Site $site, Visitor $visitor): JsonResponse
    {
        $given = $request->validate(
            [
                'name' => ['sometimes', 'required', 'string', 'max:400'],
                'roles' => ['sometimes', 'present', 'array'],
                'isDisabled' => ['sometimes', 'required', 'boolean:strict'],
                'isAdmitted' => ['sometimes', 'required', 'accepted'],
            ],
            [
                'required' => 'Type something here.',
                'array' => 'This is a list of texts.',
                'accepted' => 'Somebody is let in with true; otherwise disable or remove them.',
            ],
        );
        $this->keep->change($visitor, $site, Signed::in($request), $given);

        return new JsonResponse(KeepVisitors::shown($visitor->refresh()));
    }

    #[
        OA\Delete(
            path: '/sites/{site}/visitors/{visitor}',
            operationId: 'removeVisitor',
            description: 'Removes an account with everything that is kept of it.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/visitor')],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function remove(Request $request, Site $site, Visitor $visitor): Response
    {
        $this->keep->remove($visitor, $site, Signed::in($request));

        return new Response(status: 204);
    }

    #[
        OA\Post(
            path: '/sites/{site}/visitors/{visitor}/invitation',
            operationId: 'inviteVisitorAgain',
            description: 'Sends the invitation of somebody who has not come yet once more.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/visitor')],
            responses: [new Answer('MadeVisitor')],
        ),
    ]
    public function again(Site $site, Visitor $visitor): JsonResponse
    {
        return new JsonResponse(['visitor' => KeepVisitors::shown($visitor), 'link' => $this->keep->again($visitor, $site)]);
    }

    #[
        OA\Post(
            path: '/sites/{site}/visitors-read',
            operationId: 'readVisitors',
            description: 'What a table of visitors (CSV: mail, name, roles with semicolons between) would do, line by line. Writes nothing.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['file'], type: 'object', properties: [new OA\Property('file', type: 'string')]),
            ),
            responses: [new Answer('VisitorTable')],
        ),
    ]
    public function read(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(['rows' => $this->keep->read($site, self::file($request))]);
    }

    #[
        OA\Post(
            path: '/sites/{site}/visitors-import',
            operationId: 'importVisitors',
            description: 'Makes and changes visitors as a table says, in one step; lines with a fault are passed over, whoever is new is invited.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['file'], type: 'object', properties: [new OA\Property('file', type: 'string')]),
            ),
            responses: [new Answer('VisitorsBroughtIn')],
        ),
    ]
    public function import(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->keep->import($site, Signed::in($request), self::file($request)));
    }

    #[
        OA\Get(
            path: '/sites/{site}/visitors-export',
            operationId: 'exportVisitors',
            description: 'Visitors as CSV (RFC 4180), to be read again.',
            responses: [new OA\Response(response: 200, description: 'CSV', content: new OA\MediaType(mediaType: 'text/csv'))],
        ),
    ]
    public function export(Site $site): StreamedResponse
    {
        $lines = $this->keep->export($site);

        return new StreamedResponse(
            static function () use ($lines): void {
                foreach ($lines as $line) {
                    echo $line;
                }
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$site->key}-visitors.csv\""],
        );
    }

    #[
        OA\Put(
            path: '/sites/{site}/sign-up',
            operationId: 'setSignUp',
            description: 'Sets whether visitors make accounts themselves, and what roles they get by it.',
            requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SignUp')),
            responses: [new Answer('SignUp')],
        ),
    ]
    public function signUp(Request $request, Site $site): JsonResponse
    {
        $signUp = SignUp::read($request->json()->all());
        $this->keep->setSignUp($site, $signUp);

        return new JsonResponse([...$signUp->toArray(), 'byDomain' => (object) $signUp->byDomain]);
    }

    private static function file(Request $request): string
    {
        return $request->validate(
            ['file' => ['required', 'string', 'max:2000000']],
            ['file.required' => 'Give the table as text.', 'file.max' => 'A table has at most two million characters.'],
        )['file'];
    }
}
