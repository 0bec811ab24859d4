<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ContentSource;
use App\Http\Api\Description\Answer;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlReader;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Content as Markdown or HTML, to be looked at, copied and edited. Nothing here changes the page. */
final readonly class SourceController
{
    private const AS_REFUSED = ['as.in' => 'Content is written as markdown or html.', 'as.required' => 'Content is written as markdown or html.'];

    public function __construct(private ContentSource $source)
    {
    }

    #[
        OA\Post(
            path: '/sites/{site}/pages/{page}/source',
            operationId: 'contentSource',
            description: 'A document as Markdown (CommonMark with tables) or as HTML; what these have no signs for stands in data attributes.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['document', 'as'],
                    type: 'object',
                    properties: [
                        new OA\Property('document', ref: '#/components/schemas/Document'),
                        new OA\Property('as', type: 'string', enum: ['markdown', 'html']),
                    ],
                ),
            ),
            responses: [new Answer('ContentText')],
        ),
    ]
    public function write(Request $request, Site $site, Page $page): JsonResponse
    {
        $given = $request->validate(
            ['document' => ['required', 'array'], 'as' => ['required', Rule::in(['markdown', 'html'])]],
            ['document.required' => 'Content is a document of blocks.', 'document.array' => 'Content is a document of blocks.', ...self::AS_REFUSED],
        );
        $document = Document::read($given['document']);
        $text = $given['as'] === 'html' ? $this->source->html($document, $site) : $this->source->markdown($document, $site);

        return new JsonResponse(['text' => $text]);
    }

    #[
        OA\Post(
            path: '/sites/{site}/pages/{page}/source-read',
            operationId: 'readContentSource',
            description: 'Markdown or HTML as a document, with what of it the format cannot hold.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    required: ['text', 'as'],
                    type: 'object',
                    properties: [new OA\Property('text', type: 'string'), new OA\Property('as', type: 'string', enum: ['markdown', 'html'])],
                ),
            ),
            responses: [new Answer('ReadContent')],
        ),
    ]
    public function read(Request $request, Site $site, Page $page): JsonResponse
    {
        $given = $request->validate(
            ['text' => ['present', 'string', 'max:'.HtmlReader::MAX_BYTES], 'as' => ['required', Rule::in(['markdown', 'html'])]],
            ['text.max' => 'This is longer than a page can hold. Split it over several pages.', ...self::AS_REFUSED],
        );
        $read = $this->source->read($given['text'], $given['as'] === 'html' ? 'html' : 'markdown', $site);

        return new JsonResponse(['document' => $read['document']->toArray(), 'lost' => $read['lost']]);
    }
}
