<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Http\Api\Description\Answer;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Code\HeadLines;
use Heronstem\Core\Content\Code\ScopedStyles;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Code;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Styles and head code that the owner writes; the changes set-code and set-site-head set them. */
final readonly class CodeController
{
    #[
        OA\Get(
            path: '/sites/{site}/pages/{page}/code',
            operationId: 'pageCode',
            description: 'The styles and head code of a page, and what they allow browsers.',
            responses: [new Answer('Code')],
        ),
    ]
    public function page(Site $site, Page $page): JsonResponse
    {
        return self::told(Code::stored($page->code));
    }

    #[
        OA\Get(
            path: '/sites/{site}/head',
            operationId: 'siteHead',
            description: 'The head code of all pages, and what they allow browsers.',
            responses: [new Answer('Code')],
        ),
    ]
    public function site(Site $site): JsonResponse
    {
        return self::told(new Code(head: $site->searchSettings()->head));
    }

    #[
        OA\Post(
            path: '/sites/{site}/code-read',
            operationId: 'readCode',
            description: 'Styles and head code as they are typed: what is wrong with them, and what they allow browsers. Writes nothing.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    type: 'object',
                    properties: [new OA\Property('styles', type: 'string'), new OA\Property('head', type: 'string')],
                ),
            ),
            responses: [new Answer('Code')],
        ),
    ]
    public function read(Request $request, Site $site): JsonResponse
    {
        $given = $request->validate(
            ['styles' => ['sometimes', 'nullable', 'string', 'max:200000'], 'head' => ['sometimes', 'nullable', 'string', 'max:100000']],
            ['styles' => 'Styles are a text.', 'head' => 'Head code is a text.'],
        );

        return self::told(new Code($given['styles'] ?? '', $given['head'] ?? ''));
    }

    private static function told(Code $code): JsonResponse
    {
        $problems = $allows = [];
        try {
            ScopedStyles::of($code->styles);
        } catch (InputRefused $no) {
            $problems[] = ['field' => 'styles', 'reason' => $no->reason];
        }
        try {
            $allows = HeadLines::of($code->head)->allows;
        } catch (InputRefused $no) {
            $problems[] = ['field' => 'head', 'reason' => $no->reason];
        }

        return new JsonResponse(['styles' => $code->styles, 'head' => $code->head, 'allows' => $allows, 'problems' => $problems]);
    }
}
