<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Audit\AuditSite;
use App\Desk\Audit\ReadAudit;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Body;
use App\Http\Api\Description\Query;
use App\Jobs\AuditPages;
use App\Models\Site;
use Heronstem\Core\Audit\Checks;
use Heronstem\Core\Identity;
use Heronstem\Core\Interchange\Table;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response as AnyResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** How the site stands with search engines, and what was found. */
final readonly class AuditController
{
    /** Pages of a finding at a time. */
    private const PIECE = 100;

    public function __construct(private ReadAudit $audit, private AuditSite $site)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/audit',
            operationId: 'audit',
            description: 'How the site stands, by day, what is most worth doing, and what got worse in a week by which change.',
            responses: [new Answer('AuditOverview')],
        ),
    ]
    public function overview(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->audit->overview($site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/audit',
            operationId: 'auditAgain',
            description: 'Looks at every page anew, in the background.',
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function again(Request $request, Site $site): Response
    {
        $this->site->expectAll($site);
        AuditPages::dispatch($site->id);

        return new Response(status: 204);
    }

    #[
        OA\Get(
            path: '/sites/{site}/findings',
            operationId: 'findings',
            description: 'Findings by check, the most gain first; of live pages, or of all, of a branch (a page) or a layout.',
            parameters: [
                new Query('all', description: '1 for those of pages that visitors do not see, too'),
                new Query('branch'),
                new Query('layout'),
            ],
            responses: [new Answer('FindingGroup', list: true)],
        ),
    ]
    public function findings(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->audit->groups($site, self::filter($request)));
    }

    #[
        OA\Get(
            path: '/sites/{site}/findings/{check}',
            operationId: 'findingsOfCheck',
            description: 'Pages with a finding, in the order of the tree, a hundred at a time.',
            parameters: [
                new OA\Parameter(name: 'check', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
                new Query('all'),
                new Query('branch'),
                new Query('layout'),
                new Query('offset', 'integer'),
            ],
            responses: [new Answer('Finding', list: true)],
        ),
    ]
    public function ofCheck(Request $request, Site $site, string $check): JsonResponse
    {
        if (! isset(Checks::infos()[$check])) {
            throw new NotFoundHttpException('There is no such check.');
        }

        return new JsonResponse(
            $this->audit->pages($site, $check, self::filter($request), min(max(0, $request->integer('offset')), 10_000_000), self::PIECE),
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/findings-export',
            operationId: 'exportFindings',
            description: 'All findings as CSV (RFC 4180) or, with format=json, as JSON.',
            parameters: [new Query('format'), new Query('all')],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'CSV or JSON',
                    content: new OA\MediaType('text/csv', schema: new OA\Schema(type: 'string')),
                ),
            ],
        ),
    ]
    public function export(Request $request, Site $site): AnyResponse
    {
        $findings = $this->audit->all($site, self::filter($request));
        if ($request->query('format') === 'json') {
            return new JsonResponse(iterator_to_array($findings, false));
        }

        return new StreamedResponse(
            static function () use ($findings): void {
                echo Table::csv(['check', 'severity', 'page', 'name', 'address', 'says', 'since']);
                foreach ($findings as $finding) {
                    echo Table::csv(array_map(strval(...), array_values($finding)));
                }
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$site->key}-findings.csv\""],
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/dismissals',
            operationId: 'dismissals',
            description: 'Findings that are said to be no problem here, with the reason and the day on which they are asked again.',
            responses: [new Answer('Dismissal', list: true)],
        ),
    ]
    public function dismissals(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse($this->audit->dismissed($site));
    }

    #[
        OA\Post(
            path: '/sites/{site}/dismissals',
            operationId: 'dismissFinding',
            description: 'Says that a finding is no problem here, until a day or for good.',
            requestBody: new Body('ToDismiss'),
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function dismiss(Request $request, Site $site): Response
    {
        $given = $request->validate(
            [
                'page' => ['required', 'string'],
                'check' => ['required', Rule::in(array_keys(Checks::infos()))],
                'reason' => ['required', 'string', 'max:500'],
                'until' => ['sometimes', 'nullable', 'date_format:Y-m-d', 'after:today', 'before:2200-01-01'],
            ],
            [
                'check.in' => 'There is no such check.',
                'reason.required' => 'Say why it is no problem here: whoever comes after you will ask.',
                'until.after' => 'Choose a day that is still to come.',
                'until.date_format' => 'Write the day as 2027-01-31.',
            ],
        );
        if (! $this->audit->dismiss($site, Signed::in($request), $given['page'], $given['check'], $given['reason'], $given['until'] ?? null)) {
            throw new NotFoundHttpException('There is no such page on this site.');
        }

        return new Response(status: 204);
    }

    #[
        OA\Delete(
            path: '/sites/{site}/dismissals/{page}/{check}',
            operationId: 'reinstateFinding',
            description: 'Lets a dismissed finding be said again.',
            parameters: [
                new OA\Parameter(name: 'page', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
                new OA\Parameter(name: 'check', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            ],
            responses: [new OA\Response(response: 204, description: 'Done')],
        ),
    ]
    public function reinstate(Request $request, Site $site, string $page, string $check): Response
    {
        if (! $this->audit->reinstate($site, $page, $check)) {
            throw new NotFoundHttpException('Nothing is dismissed there.');
        }

        return new Response(status: 204);
    }

    /** @return array{all: bool, branch: string|null, layout: string|null} */
    private static function filter(Request $request): array
    {
        $branch = $request->string('branch')->value();
        $layout = $request->string('layout')->value();

        return [
            'all' => $request->string('all')->value() === '1',
            'branch' => Identity::names($branch) ? $branch : null,
            'layout' => preg_match('/^[a-z][a-z0-9-]{0,39}$/D', $layout) === 1 ? $layout : null,
        ];
    }
}
