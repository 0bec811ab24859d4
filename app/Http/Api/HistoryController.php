<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ApplyChanges;
use App\Desk\Permission;
use App\Desk\Planners;
use App\Desk\TakeBackEntry;
use App\Http\Api\Schema\HistoryView;
use App\Http\Api\Schema\RippleView;
use App\Models\HistoryEntry;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What was applied, and taking it back. */
final readonly class HistoryController
{
    private const PIECE = 50;

    public function __construct(private Permission $permission, private Planners $planners, private ApplyChanges $apply, private TakeBackEntry $takeBack)
    {
    }

    #[OA\Get(path: '/sites/{site}/history', operationId: 'history', description: 'Applied batches, newest first, fifty at a time; before names the last entry one has.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'before', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/HistoryEntry'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function index(Request $request, Site $site): JsonResponse
    {
        $this->permission->toSee(Signed::in($request), $site);
        $before = $request->string('before')->value();
        $entries = HistoryEntry::query()->where('site_id', $site->id)->with('user')
            ->when($before !== '', fn ($query) => $query->where('id', '<', HistoryEntry::query()->where('ulid', $before)->value('id') ?? 0))
            ->orderByDesc('id')->limit(self::PIECE)->get();

        return new JsonResponse($entries->map(HistoryView::of(...))->all());
    }

    #[OA\Post(path: '/sites/{site}/history/{entry}/ripple', operationId: 'takeBackRipple', description: 'What taking an entry back would do. Writes nothing.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/entry')], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/Ripple')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function ripple(Request $request, Site $site, HistoryEntry $entry): JsonResponse
    {
        $this->permission->toManage(Signed::in($request), $site);

        return new JsonResponse(RippleView::of($this->planners->for($site)->plan($this->takeBack->batch($site, $entry))));
    }

    #[OA\Post(path: '/sites/{site}/history/{entry}/take-back', operationId: 'takeBack', description: 'Takes an entry back exactly; itself an entry that can be taken back. One may take back what one did oneself; managers anything.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(ref: '#/components/parameters/entry')], responses: [new OA\Response(response: 201, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/HistoryEntry')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function takeBack(Request $request, Site $site, HistoryEntry $entry): JsonResponse
    {
        $user = Signed::in($request);
        $entry->user_id === $user->id ? $this->permission->toWrite($user, $site, null) : $this->permission->toManage($user, $site);

        return new JsonResponse(HistoryView::of($this->apply->apply($site, $user, $this->takeBack->batch($site, $entry))), 201);
    }
}
