<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ReadRights;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Access\Right;
use Heronstem\Core\InputRefused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What roles and people may do, and why. */
final readonly class RightsController
{
    public function __construct(private ReadRights $rights)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/rights',
            operationId: 'rights',
            description: 'Roles and people by rights, on the whole site or in a branch: what is said there, and what follows from all that is said.',
            parameters: [new Query('branch', 'string', 'the page at its top; left out for the whole site')],
            responses: [new Answer('RightsGrid')],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->rights->grid($site, $this->page($request, $site, 'branch')));
    }

    #[
        OA\Get(
            path: '/sites/{site}/rights/why',
            operationId: 'why',
            description: 'Whether somebody may do something on a page or on the whole site, and what decides it.',
            parameters: [
                new Query('person', 'string', 'identity'),
                new Query('right', 'string', 'one of the rights'),
                new Query('page', 'string', 'left out for the whole site'),
            ],
            responses: [new Answer('Why')],
        ),
    ]
    public function why(Request $request, Site $site): JsonResponse
    {
        $person = $request->query('person');

        return new JsonResponse(
            $this->rights->why(
                $site,
                is_string($person) ? $person : throw new InputRefused('person', 'Say of whom.'),
                Right::read($request->query('right'), 'right'),
                $this->page($request, $site, 'page'),
            ),
        );
    }

    private function page(Request $request, Site $site, string $field): ?Page
    {
        $asked = $request->query($field);
        if ($asked === null || $asked === '') {
            return null;
        }

        return (is_string($asked) ? Page::query()->where('site_id', $site->id)->where('ulid', $asked)->first() : null) ??
            throw new InputRefused($field, 'There is no such page on this site.');
    }
}
