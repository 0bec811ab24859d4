<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\InputRefused;

/** Whether what follows a batch can be worked out within a request, whose memory has a bound: said beforehand, not by running out of it. */
final readonly class FitsRequest
{
    /** Bytes that a page of a plan takes, undoing included, and what everything else takes. */
    private const A_PAGE = 4_000;

    private const ELSE = 64 * 1024 * 1024;

    public function __construct(private SizeOfBatch $size)
    {
    }

    /** @throws InputRefused naming how many pages it concerns, and the way out */
    public function guard(Batch $batch, Site $site): void
    {
        $limit = ini_parse_quantity((string) ini_get('memory_limit'));
        if ($limit <= 0) {
            return;
        }
        $most = intdiv(max(0, $limit - self::ELSE), self::A_PAGE);
        $pages = $this->size->pages($batch, $site);
        if ($pages > $most) {
            throw new InputRefused(
                'changes',
                sprintf(
                    'This concerns about %s pages, and what follows can be worked out for %s at once. Do it for the branches below, one after the other.',
                    number_format($pages),
                    number_format($most),
                ),
            );
        }
    }
}
