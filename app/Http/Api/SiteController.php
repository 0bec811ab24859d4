<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Design\SiteDesign;
use App\Desk\ReadSettings;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Schema\SiteNames;
use App\Models\Site;
use Heronstem\Core\OneLine;
use Heronstem\Core\Tree\Caching;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** What a site is called, and what is said of it in a line and in a sentence. */
final readonly class SiteController
{
    private const FIELDS = ['name' => 'name', 'shortName' => 'short_name', 'tagline' => 'tagline', 'summary' => 'description', 'design' => 'design'];

    public function __construct(private ReadSettings $settings)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/settings',
            operationId: 'siteSettings',
            description: 'What holds for the whole site, as it stands now; each is set where it belongs.',
            responses: [new Answer('SiteSettings')],
        ),
    ]
    public function settings(Site $site): JsonResponse
    {
        return new JsonResponse($this->settings->of($site));
    }

    #[OA\Get(path: '/sites/{site}/names', operationId: 'siteNames', description: 'What the site is called.', responses: [new Answer('SiteNames')])]
    public function show(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(SiteNames::of($site));
    }

    #[
        OA\Patch(
            path: '/sites/{site}/names',
            operationId: 'nameSite',
            description: 'Sets what the site is called: the name on pages and in titles, a short one for narrow places, a line under it, and a summary for search engines.',
            requestBody: new Body('SiteNames'),
            responses: [new Answer('SiteNames')],
        ),
    ]
    public function update(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            [
                'name' => ['sometimes', 'required', 'string', 'max:100'],
                'shortName' => ['sometimes', 'string', 'max:30'],
                'tagline' => ['sometimes', 'string', 'max:120'],
                'summary' => ['sometimes', 'string', 'max:500'],
                'design' => ['sometimes', 'string', Rule::in(['', ...SiteDesign::all()])],
            ],
            [
                'design.in' => 'A design is one of '.implode(', ', SiteDesign::all()).', or empty for the one that ships.',
                'name.required' => 'A site needs a name.',
                'max' => 'At most :max characters fit here.',
                'string' => 'This is a text.',
            ],
        );
        foreach ($given as $field => $text) {
            $site->setAttribute(self::FIELDS[$field], OneLine::of($text));
        }
        $site->save();

        return new JsonResponse(SiteNames::of($site));
    }

    #[
        OA\Put(
            path: '/sites/{site}/caching',
            operationId: 'setCaching',
            description: 'How long browsers and caches on the way keep pages without asking, where a page says nothing of it itself. The web server of the site is told of every change in any case.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['caching'],
                    type: 'object',
                    properties: [new OA\Property('caching', ref: '#/components/schemas/Caching')],
                ),
            ),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function caching(Request $request, Site $site): Response
    {
        $site->update(['caching' => (string) Caching::read($request->json('caching'))->toValue()]);

        return new Response(status: 204);
    }
}
