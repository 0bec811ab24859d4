<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\PlanFor;
use App\Desk\Resolvers;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Http\Api\Schema\ConflictView;
use App\Models\Site;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What an address would be, and what answers there. */
final readonly class AddressController
{
    public function __construct(private RightsOn $rights, private PlanFor $plan, private Resolvers $resolvers)
    {
    }

    #[
        OA\Post(
            path: '/sites/{site}/address',
            operationId: 'address',
            description: 'Slug and address that one change would give its page, while it is being typed; a conflict with its ways out.',
            requestBody: new Body('Change'),
            responses: [new Answer('SlugAnswer')],
        ),
    ]
    public function preview(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $rights = $this->rights->of($user, $site);
        try {
            $batch = (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch([$request->json()->all()]);
            $ripple = $this->plan->preview($site, $batch, $rights);
        } catch (Refusal $refusal) {
            return new JsonResponse([
                'slug' => null,
                'address' => null,
                'inherited' => null,
                'conflict' => null,
                'error' => $refusal->reason,
                'suggestion' => $refusal->suggestion,
            ]);
        }
        $page = $ripple->pages->outcome->find((string) $request->json($request->json('kind') === 'duplicate' ? 'copy' : 'page'));
        $address = $page === null ? '' : $page->address->readable();
        $own = $page?->slug->text ?? '';

        return new JsonResponse([
            'slug' => $page?->slug->text,
            'address' => $address,
            'inherited' => $own !== '' && ($at = mb_strrpos($address, $own)) !== false ? mb_substr($address, 0, $at) : $address,
            'conflict' => $ripple->toDecide->conflicts === [] ? null : ConflictView::of($ripple->toDecide->conflicts[0]),
            'error' => null,
            'suggestion' => null,
        ]);
    }

    #[
        OA\Get(
            path: '/sites/{site}/explain',
            operationId: 'explain',
            description: 'How an address of the site is answered.',
            parameters: [new Query('address')],
            responses: [new Answer('Explanation')],
        ),
    ]
    public function explain(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(
            $this->resolvers
                ->for($site)
                ->resolve($request->string('address')->value())
                ->toArray(),
        );
    }
}
