<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** What is found and how far pages are away, to be compared with the same a moment later. */
final readonly class FindingSnapshot
{
    /**
     * @param  array<string, array{check: string, page: string, name: string, says: string}>  $findings  of pages that visitors see, by check and page
     * @param  array<string, array{page: string, name: string, clicks: int|null}>  $clicks  of those that are listed, by page
     */
    private function __construct(public array $findings, public array $clicks)
    {
    }

    public static function of(ConnectionInterface $db, Site $site): self
    {
        $findings = $clicks = [];
        foreach (
            $db->select(
                "select p.ulid, p.name, f.check_code, f.says from findings f join pages p on p.id = f.page_id and p.state = 'live' where f.site_id = ?",
                [$site->id],
            ) as $row
        ) {
            $findings["{$row->check_code} {$row->ulid}"] = [
                'check' => $row->check_code,
                'page' => $row->ulid,
                'name' => $row->name,
                'says' => $row->says,
            ];
        }
        foreach ($db->select("select ulid, name, clicks from pages where site_id = ? and state = 'live' and listed", [$site->id]) as $row) {
            $clicks[$row->ulid] = ['page' => $row->ulid, 'name' => $row->name, 'clicks' => $row->clicks];
        }

        return new self($findings, $clicks);
    }
}
