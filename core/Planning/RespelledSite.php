<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Workspace\Workspace;

/** Where addresses are written otherwise from now on, those that somebody set follow: pinned ones, and the sources of redirects. */
final class RespelledSite
{
    /** Cost: all pages and all redirects of the site, where the rules change; nothing otherwise. */
    public static function carryOut(Workspace $workspace): void
    {
        $difference = $workspace->rulesDifference();
        if ($difference === null || ! $difference->respells()) {
            return;
        }
        foreach (array_keys($workspace->pages->wholeBefore()) as $id) {
            $page = $workspace->pages->find((string) $id);
            if ($page?->pinned !== null && ! $page->isBinned()) {
                $workspace->pages->put($page->with(['pinned' => $difference->own($page->pinned)]));
            }
        }
        foreach ($workspace->redirects->whole() as $rule) {
            $respelled = $rule->writtenBy($difference->after);
            if ($respelled->source !== $rule->source || $respelled->key !== $rule->key) {
                $workspace->redirects->put($respelled);
            }
        }
    }
}
