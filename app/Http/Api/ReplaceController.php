<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Replace\ReplaceTexts;
use App\Http\Api\Description\Answer;
use App\Http\Api\Schema\PlacesView;
use App\Models\Site;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\ReplaceText;
use Heronstem\Core\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Where a text stands, and what would stand there. */
final readonly class ReplaceController
{
    public function __construct(private ReplaceTexts $replace)
    {
    }

    #[
        OA\Post(
            path: '/sites/{site}/found',
            operationId: 'findText',
            description: 'Every place where a text stands, with what would stand there: takes a change of the kind replace-text. At most 2,000 places are listed; all are counted. Writes nothing.',
            requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/Change')),
            responses: [new Answer('FoundText')],
        ),
    ]
    public function find(Request $request, Site $site): JsonResponse
    {
        $given = ['kind' => 'replace-text', ...(array) $request->json()->all()];
        try {
            $batch = (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch([$given], []);
        } catch (Refusal $refused) {
            $refusal = $refused::class;
            throw new $refusal((string) preg_replace('/^changes\.0\./', '', $refused->field), $refused->reason, $refused->suggestion);
        }
        $change = $batch->changes[0];
        abort_unless($change instanceof ReplaceText, 422, 'This takes a change of the kind replace-text.');

        return new JsonResponse(PlacesView::of($this->replace->look($site, $change)));
    }
}
