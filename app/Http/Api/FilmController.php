<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Outside\LookUpFilm;
use App\Http\Api\Description\Answer;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Films that other sites show. */
final readonly class FilmController
{
    public function __construct(private LookUpFilm $films)
    {
    }

    #[
        OA\Post(
            path: '/sites/{site}/films',
            operationId: 'lookUpFilm',
            description: 'Asks a site that shows films about one of them (oEmbed) and keeps what it says, with its picture as a file.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(required: ['address'], type: 'object', properties: [new OA\Property('address', type: 'string')]),
            ),
            responses: [new Answer('LookedUpFilm')],
        ),
    ]
    public function lookUp(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            ['address' => ['required', 'string', 'max:2000']],
            ['address' => 'Give the address of the video, as its page has it.'],
        );

        return new JsonResponse($this->films->at($given['address'], $site, Signed::in($request)));
    }
}
