<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Redirect\Matching\Candidate;

/** The pages of the demo, by their addresses. */
final class DemoPages
{
    /** @return list<Candidate> */
    public static function all(): array
    {
        $pages = [];
        foreach (glob(dirname(__DIR__, 3).'/database/demo/ferries/*.md') ?: [] as $file) {
            foreach (explode("\n=== ", "\n".file_get_contents($file)) as $page) {
                if (preg_match('/^(\/\S*) \| (.+)$/m', $page, $head) === 1) {
                    preg_match('/^heading: (.+)$/m', $page, $heading);
                    $pages[] = new Candidate($head[1], $head[2], $head[1], $heading[1] ?? '');
                }
            }
        }

        return $pages;
    }
}
