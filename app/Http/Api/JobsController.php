<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Jobs\FailedJobs;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Work in the background that failed: seen by owners of a site, tried again, or let go. */
final readonly class JobsController
{
    public function __construct(private FailedJobs $jobs, private RightsOn $rights)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/failed-jobs',
            operationId: 'failedJobs',
            description: 'Work in the background that stopped by a fault, of this site and of none, the last first. For owners.',
            responses: [new Answer('FailedJobs')],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        $this->guardOwner($request, $site);

        return new JsonResponse(['waiting' => $this->jobs->waiting(), 'jobs' => $this->jobs->of($site)]);
    }

    #[
        OA\Post(
            path: '/sites/{site}/failed-jobs/{job}/again',
            operationId: 'tryJobAgain',
            description: 'Has it tried once more. For owners.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function again(Request $request, Site $site, string $job): Response
    {
        $this->guardOwner($request, $site);
        $this->jobs->again($site, $job);

        return new Response(status: 204);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/failed-jobs/{job}',
            operationId: 'forgetJob',
            description: 'Lets it go: what it was to do is not done. For owners.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function forget(Request $request, Site $site, string $job): Response
    {
        $this->guardOwner($request, $site);
        $this->jobs->forget($site, $job);

        return new Response(status: 204);
    }

    private function guardOwner(Request $request, Site $site): void
    {
        abort_unless(
            $this->rights->own(Signed::in($request), $site)->rights->isOwner(),
            403,
            'Only owners of a site see what failed in the background.',
        );
    }
}
