<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ExportRedirects;
use App\Desk\ImportRedirects;
use App\Desk\MatchAddresses;
use App\Desk\RedirectFormat;
use App\Desk\RightsOn;
use App\Http\Api\Description\Answer;
use App\Models\HistoryEntry;
use App\Models\RedirectImport;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Redirects in and out as files: tables, JSON Lines, and configuration of a web server. */
final readonly class RedirectFilesController
{
    /** Most bytes of a file. */
    /** Rows that may be settled in one list. */
    private const MAX_SETTLED = 5000;

    private const MAX_BYTES = 32_000_000;

    public function __construct(
        private RightsOn $rights,
        private ImportRedirects $import,
        private ExportRedirects $export,
        private MatchAddresses $match,
    ) {
    }

    #[
        OA\Post(
            path: '/sites/{site}/redirects-import',
            operationId: 'importRedirects',
            description: 'Looks a table of redirects over (CSV with any delimiter and encoding, or JSON Lines), and with `make` makes those that can be, as one change.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['text'],
                    type: 'object',
                    properties: [
                        new OA\Property('text', type: 'string'),
                        new OA\Property(
                            'make',
                            description: 'good: rows that can be made; all: nothing unless every row can',
                            type: 'string',
                            enum: ['good', 'all'],
                        ),
                        new OA\Property('note', type: 'string'),
                    ],
                ),
            ),
            responses: [new Answer('RedirectImport'), new Answer('RedirectImport', status: 202, description: 'Being made in the background')],
        ),
    ]
    public function import(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $given = $request->validate(
            [
                'text' => ['required', 'string', 'max:'.self::MAX_BYTES],
                'make' => ['sometimes', 'in:good,all'],
                'note' => ['sometimes', 'string', 'max:500'],
            ],
            ['text.required' => 'Paste a table, or choose a file.', 'text.max' => 'This is more than one import takes: 32 MB.'],
        );
        $seed = (string) Str::ulid();
        $look = $this->import->look($site, $given['text'], $seed);
        $make = $given['make'] ?? null;
        if ($make === 'all' && $look->bad !== []) {
            throw ValidationException::withMessages(['text' => sprintf('%d rows cannot be made; nothing was done.', count($look->bad))]);
        }
        $makes = $make !== null && $look->good > 0;
        $queued =
            $makes && $look->good > ImportRedirects::AT_ONCE ? $this->import->queue($site, $user, $given['text'], $look, $given['note'] ?? '') : null;
        $entries =
            $makes && $queued === null
                ? $this->import->make($site, $user, $given['text'], $seed, $look, $given['note'] ?? '', $this->rights->of($user, $site))
                : [];

        return new JsonResponse(
            [
                'good' => $look->good,
                'bad' => count($look->bad),
                'rows' => $look->rows(),
                'entries' => array_map(static fn (HistoryEntry $entry): string => $entry->ulid, $entries),
                'progress' => $queued === null ? null : self::progress($queued),
            ],
            $queued === null ? 200 : 202,
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/redirects-import/{import}',
            operationId: 'importProgress',
            description: 'How far an import has come that is made in the background.',
            parameters: [new OA\Parameter(name: 'import', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
            responses: [new Answer('ImportProgress')],
        ),
    ]
    public function progressOf(Request $request, Site $site, RedirectImport $import): JsonResponse
    {
        return new JsonResponse(self::progress($import));
    }

    #[
        OA\Delete(
            path: '/sites/{site}/redirects-import/{import}',
            operationId: 'stopImport',
            description: 'Stops an import after the piece that is being made. What was made stays, and is undone in the history.',
            parameters: [new OA\Parameter(name: 'import', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
            responses: [new Answer('ImportProgress')],
        ),
    ]
    public function stop(Request $request, Site $site, RedirectImport $import): JsonResponse
    {
        RedirectImport::query()
            ->whereKey($import->id)
            ->whereIn('state', ['waiting', 'running'])
            ->update(['state' => 'stopped']);

        return new JsonResponse(self::progress($import->refresh()));
    }

    /** @return array<string, mixed> */
    private static function progress(RedirectImport $import): array
    {
        return [
            'id' => $import->ulid,
            'state' => $import->state,
            'total' => $import->total,
            'done' => $import->done,
            'entries' => array_values(array_filter(explode(',', trim($import->entries, '{}')))),
            'problem' => $import->problem,
        ];
    }

    #[
        OA\Post(
            path: '/sites/{site}/redirects-match',
            operationId: 'matchAddresses',
            description: 'Matches addresses of an old site to pages: a list, a table with titles, a sitemap, or an access log. Rows that somebody settled teach of the others. Writes nothing.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['text'],
                    type: 'object',
                    properties: [
                        new OA\Property('text', type: 'string'),
                        new OA\Property(
                            'settled',
                            type: 'array',
                            items: new OA\Items(
                                required: ['old', 'page'],
                                type: 'object',
                                properties: [new OA\Property('old', type: 'string'), new OA\Property('page', type: 'string')],
                            ),
                        ),
                    ],
                ),
            ),
            responses: [new Answer('MatchedAddress', list: true)],
        ),
    ]
    public function match(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            [
                'text' => ['required', 'string', 'max:'.self::MAX_BYTES],
                'settled' => ['sometimes', 'array', 'list', 'max:'.self::MAX_SETTLED],
                'settled.*.old' => ['required', 'string'],
                'settled.*.page' => ['required', 'string'],
            ],
            [
                'text.required' => 'Paste a list, or choose a file.',
                'text.max' => 'This is more than can be matched at once: 32 MB.',
                'settled.max' => 'More rows than '.self::MAX_SETTLED.' teach nothing new.',
            ],
        );

        return new JsonResponse($this->match->of($site, $given['text'], array_column($given['settled'] ?? [], 'page', 'old')));
    }

    #[
        OA\Get(
            path: '/sites/{site}/redirects-export',
            operationId: 'exportRedirects',
            description: 'All redirects as a file: csv and jsonl are read again as the same rules; nginx-maps goes into the http block of that web server, nginx-server into its server block; apache-map is a table for RewriteMap, apache-rules goes into a virtual host. All but nginx-server keep the rules themselves and are read again as the same.',
            parameters: [
                new OA\Parameter(
                    name: 'format',
                    in: 'query',
                    schema: new OA\Schema(type: 'string', enum: ['csv', 'jsonl', 'nginx-maps', 'nginx-server', 'apache-map', 'apache-rules']),
                ),
            ],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'The file',
                    content: [
                        new OA\MediaType(mediaType: 'text/csv'),
                        new OA\MediaType(mediaType: 'application/x-ndjson'),
                        new OA\MediaType(mediaType: 'text/plain'),
                    ],
                ),
            ],
        ),
    ]
    public function export(Request $request, Site $site): Response
    {
        $format =
            RedirectFormat::tryFrom($request->string('format', 'csv')->value()) ??
            throw ValidationException::withMessages(['format' => 'A format is one of '.RedirectFormat::names().'.']);
        $pieces = $this->export->pieces($site, $format);

        return new StreamedResponse(
            function () use ($pieces): void {
                foreach ($pieces as $piece) {
                    echo $piece;
                }
            },
            200,
            ['Content-Type' => $format->mediaType(), 'Content-Disposition' => "attachment; filename=\"{$format->fileName($site->key)}\""],
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/redirects-not-carried',
            operationId: 'notCarried',
            description: 'What the files for a web server cannot carry, in sentences.',
            parameters: [
                new OA\Parameter(name: 'server', in: 'query', required: true, schema: new OA\Schema(type: 'string', enum: ['nginx', 'apache'])),
            ],
            responses: [
                new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(type: 'string'))),
            ],
        ),
    ]
    public function notCarried(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(['server' => ['required', 'in:nginx,apache']]);

        return new JsonResponse($given['server'] === 'nginx' ? $this->export->nginx($site)->notes() : $this->export->apache($site)->notes());
    }
}
