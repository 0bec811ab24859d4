<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Http\Api\Description\Answer;
use App\Models\Site;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The tags of a site: those that its pages have. */
final readonly class TagController
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/tags',
            operationId: 'tags',
            description: 'The tags that pages of the site have, from A to Z, with how many have each. Changes of the kinds tag and rename-tag set them.',
            responses: [new Answer('Tag', list: true)],
        ),
    ]
    public function index(Site $site): JsonResponse
    {
        return new JsonResponse(
            $this->db->select(
                "select t.tag, count(*)::int as pages from pages p cross join lateral jsonb_array_elements_text(p.tags) t(tag)
                 where p.site_id = ? and p.state <> 'bin' group by t.tag order by lower(t.tag), t.tag",
                [$site->id],
            ),
        );
    }
}
