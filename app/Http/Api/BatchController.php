<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ApplyChanges;
use App\Desk\Permission;
use App\Desk\Planners;
use App\Http\Api\Schema\HistoryView;
use App\Http\Api\Schema\RippleView;
use App\Models\Site;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\ChangeReader;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Changes to the structure: first their ripple, then applied in one step. */
final readonly class BatchController
{
    public function __construct(private Permission $permission, private Planners $planners, private ApplyChanges $apply)
    {
    }

    #[OA\Post(path: '/sites/{site}/ripple', operationId: 'ripple', description: 'What a batch would do. Writes nothing.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/Batch')), responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Ripple')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function ripple(Request $request, Site $site): JsonResponse
    {
        $batch = $this->batch($request, $site);

        return new JsonResponse(RippleView::of($this->planners->for($site)->plan($batch)));
    }

    #[OA\Post(path: '/sites/{site}/batches', operationId: 'applyBatch', description: 'Applies a batch in one step. With a digest, refused with 409 and the new ripple when that has changed.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/Batch')), responses: [new OA\Response(response: 201, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/HistoryEntry')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function store(Request $request, Site $site): JsonResponse
    {
        $batch = $this->batch($request, $site);
        $request->validate(['digest' => ['sometimes', 'nullable', 'string', 'size:64'], 'note' => ['sometimes', 'nullable', 'string', 'max:2000']]);
        $entry = $this->apply->apply($site, Signed::in($request), $batch, $request->json('digest'), (string) $request->json('note', ''));

        return new JsonResponse(HistoryView::of($entry), 201);
    }

    private function batch(Request $request, Site $site): Batch
    {
        $changes = $request->json('changes');
        $decisions = $request->json('decisions');
        $batch = (new ChangeReader($site->rules()))->batch(is_array($changes) ? $changes : [], is_array($decisions) ? $decisions : []);
        $this->permission->toApply(Signed::in($request), $site, $batch);

        return $batch;
    }
}
