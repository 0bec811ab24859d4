<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ChangedMeanwhile;
use App\Desk\Design\PlacedLayouts;
use App\Desk\Design\ReadLayouts;
use App\Desk\PrepareTexts;
use App\Desk\ReadAccess;
use App\Desk\ReadPage;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\PageSheet;
use App\Http\Middleware\InPlan;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Tree\PageTexts;
use Illuminate\Contracts\Auth\Access\Gate;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** One page: what is set on it besides its place, name and slug. */
final readonly class PageController
{
    /** What is needed to write, which is much, is asked for by what writes. */
    public function __construct(
        private RightsOn $rights,
        private ReadPage $read,
        private ReadLayouts $layouts,
        private PlacedLayouts $placed,
        private Gate $gate,
        private ReadAccess $access,
    ) {
    }

    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}',
            operationId: 'page',
            description: 'Everything about a page but its content; the ETag goes back in If-Match.',
            responses: [new Answer('PageSheet')],
        ),
    ]
    public function show(Request $request, Site $site, Page $page): JsonResponse
    {
        return $this->sheet($page, $site, Signed::in($request));
    }

    #[
        OA\Patch(
            path: '/sites/{site}/pages/{page}',
            operationId: 'updatePage',
            description: 'Sets heading (null lets it follow the name), summary, layout, fields of the layout, search title and description, social title and description. Texts of a live page wait until they are published; its layout changes at once, by a change of the history. Texts take the right write, layout and fields the right fields; what visitors notice at once takes publish besides. Everything else that search engines are told is set by the change set-search.',
            parameters: [new OA\Parameter(ref: '#/components/parameters/ifMatch')],
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: [],
                    type: 'object',
                    properties: [
                        new OA\Property('heading', type: 'string', nullable: true),
                        new OA\Property('summary', type: 'string'),
                        new OA\Property('searchTitle', type: 'string'),
                        new OA\Property('searchDescription', type: 'string'),
                        new OA\Property('socialTitle', type: 'string'),
                        new OA\Property('socialDescription', type: 'string'),
                        new OA\Property('layout', type: 'string'),
                        new OA\Property(
                            'fields',
                            description: 'by the keys of the layout; null for nothing',
                            type: 'object',
                            additionalProperties: true,
                        ),
                    ],
                ),
            ),
            responses: [new Answer('PageSheet')],
        ),
    ]
    public function update(Request $request, Site $site, Page $page, PrepareTexts $prepare): JsonResponse
    {
        $user = Signed::in($request);
        $given = $request->validate(
            [
                'heading' => ['sometimes', 'nullable', 'string', 'max:300'],
                'summary' => ['sometimes', 'string', 'max:2000'],
                'layout' => ['sometimes', Rule::in($layouts = $this->layouts->all()->keys())],
                'fields' => ['sometimes', 'array'],
                'searchTitle' => ['sometimes', 'string', 'max:300'],
                'searchDescription' => ['sometimes', 'string', 'max:1000'],
                'socialTitle' => ['sometimes', 'string', 'max:300'],
                'socialDescription' => ['sometimes', 'string', 'max:1000'],
            ],
            [
                'layout.in' => 'A layout is one of '.implode(', ', $layouts).'.',
                'max' => 'At most :max characters fit here.',
                'string' => 'This is a text.',
                'fields.array' => 'Fields are an object.',
            ],
        );
        if ($request->attributes->get(InPlan::STEP) === true) {
            return $this->sheet($page, $site, $user);
        }
        $match = StartedFrom::in($request, 'the ETag of the page');
        if ($match !== '*' && trim($match, 'W/') !== $this->tag($page)) {
            throw new ChangedMeanwhile();
        }
        $texts = array_intersect_key($given, PageTexts::MAX_LENGTHS);
        foreach ([...$texts === [] ? [] : [Right::Write], ...isset($given['layout']) || isset($given['fields']) ? [Right::Fields] : []] as $right) {
            $this->gate->forUser($user)->authorize('may', [$page, $right->value]);
        }
        $prepare->prepare($page, $site, $user, $this->rights->of($user, $site), $texts, $given['layout'] ?? null, $given['fields'] ?? []);

        return $this->sheet($page->refresh(), $site, $user);
    }

    private function sheet(Page $page, Site $site, User $user): JsonResponse
    {
        return new JsonResponse(
            PageSheet::of(
                $page,
                $this->read->asTheTreeKnowsIt($page, $site),
                $this->placed->saying($page, $site, false),
                $site,
                $this->rights->held($user, $site),
                $this->access->of($page, $site),
            ),
            headers: ['ETag' => $this->tag($page)],
        );
    }

    private function tag(Page $page): string
    {
        return '"'.$page->version.'"';
    }
}
