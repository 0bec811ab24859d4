<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use App\Store\StoredPages;
use Heronstem\Core\Tree\Page as TreePage;
use Illuminate\Database\ConnectionInterface;

/** A page as the rules know it, with every field that they give it. */
final readonly class ReadPage
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    public function asTheTreeKnowsIt(Page $page, Site $site): TreePage
    {
        return (new StoredPages($this->db, $site))->page($page->ulid) ?? throw new \LogicException("Page {$page->ulid} is no page of {$site->key}.");
    }
}
