<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\TakeOut\SiteFormat;
use App\Desk\TakeOut\TakeOut;
use App\Models\Page;
use App\Models\Site;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A site, or a branch of it, as a file in an open format. */
final readonly class TakeOutController
{
    public function __construct(private TakeOut $out)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/export',
            operationId: 'exportSite',
            description: 'The site, or one branch, as a file: site-json is everything and is read again to an equal site; site-csv and site-xlsx are a table of pages; site-html is a folder of pages that works from a disk, with the redirects as files for web servers; markdown a folder with front matter; opml an outline; sitemap the addresses that visitors are to find.',
            parameters: [
                new OA\Parameter(name: 'format', in: 'query', schema: new OA\Schema(type: 'string', enum: ['site-json', 'site-csv', 'site-xlsx', 'site-html', 'markdown', 'opml', 'sitemap'])),
                new OA\Parameter(name: 'branch', description: 'page whose branch goes out', in: 'query', schema: new OA\Schema(type: 'string')),
            ],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'The file',
                    content: [new OA\MediaType(mediaType: 'application/json'), new OA\MediaType(mediaType: 'text/csv'), new OA\MediaType(mediaType: 'application/zip'), new OA\MediaType(mediaType: 'application/xml')],
                ),
            ],
        ),
    ]
    public function show(Request $request, Site $site): StreamedResponse
    {
        $asked = $request->validate(['format' => ['sometimes', 'nullable', 'string'], 'branch' => ['sometimes', 'nullable', 'string', 'size:26']], ['branch.size' => 'A page is named by its identity, 26 letters and digits.']);
        $format = SiteFormat::tryFrom($asked['format'] ?? 'site-json') ?? throw ValidationException::withMessages(['format' => 'A format is one of '.SiteFormat::names().'.']);
        $branch = isset($asked['branch']) ? Page::query()->where('site_id', $site->id)->where('ulid', $asked['branch'])->where('state', '<>', 'bin')->first() : null;
        if ($branch === null && isset($asked['branch'])) {
            throw ValidationException::withMessages(['branch' => 'There is no such page on this site.']);
        }
        $pieces = $this->out->pieces($site, $format, $branch);
        $what = $site->key.($branch === null ? '' : "-{$branch->slug}");

        return new StreamedResponse(
            static function () use ($pieces): void {
                foreach ($pieces as $piece) {
                    echo $piece;
                }
            },
            200,
            ['Content-Type' => $format->mediaType(), 'Content-Disposition' => 'attachment; filename="'.preg_replace('/[^A-Za-z0-9._-]+/', '-', $format->fileName($what)).'"', 'X-Accel-Buffering' => 'no'],
        );
    }
}
