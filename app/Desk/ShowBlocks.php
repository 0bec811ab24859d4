<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;

/** Single blocks as visitors would get them, for whoever writes them. */
final readonly class ShowBlocks
{
    public function __construct(private RenderContent $render)
    {
    }

    /**
     * @param  array<mixed>  $block
     * @return array{html: string, refused: string|null} and why it cannot be shown yet
     */
    public function show(array $block, Site $site): array
    {
        try {
            return ['html' => $this->render->html(Document::read(['type' => 'doc', 'content' => [$block]]), $site), 'refused' => null];
        } catch (InvalidDocument $refused) {
            return ['html' => '', 'refused' => $refused->reason];
        }
    }
}
