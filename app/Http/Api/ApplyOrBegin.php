<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ApplyChanges;
use App\Desk\Rights;
use App\Desk\UnderWay\AskedBatch;
use App\Desk\UnderWay\BeginLarge;
use App\Http\Api\Schema\HistoryView;
use App\Http\Api\Schema\UnderWayView;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Applies what somebody looked at: at once, or begun in the background where it concerns many pages.
 *
 * @phpstan-import-type Asked from AskedBatch
 */
final readonly class ApplyOrBegin
{
    public function __construct(private ApplyChanges $apply, private BeginLarge $large)
    {
    }

    /** @param  Asked|null  $asked  the batch as it was asked for; null where it is made at once in any case */
    public function of(Request $request, Site $site, Rights $rights, Batch $batch, ?array $asked): JsonResponse
    {
        $request->validate(
            ['digest' => ['sometimes', 'nullable', 'string', 'size:64'], 'note' => ['sometimes', 'nullable', 'string', 'max:2000']],
            ['max' => 'A note has at most :max characters.'],
        );
        $user = Signed::in($request);
        [$digest, $note] = [$request->json('digest'), trim((string) $request->json('note', ''))];
        $large = $this->large->of($site, $user, $batch, $asked, $digest, $note);

        return $large === null
            ? new JsonResponse(HistoryView::of($this->apply->apply($site, $user, $batch, $digest, $note, $rights)), 201)
            : new JsonResponse(UnderWayView::of($large, $user), 202);
    }
}
