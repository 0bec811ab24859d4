<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleScope;
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
            $respelled = self::rule($rule, $difference);
            if ($respelled->source !== $rule->source || $respelled->key !== $rule->key) {
                $workspace->redirects->put($respelled);
            }
        }
    }

    /** Patterns and the rest of a path are matched without an ending anyway. */
    private static function rule(Rule $rule, AddressRulesDifference $difference): Rule
    {
        if ($rule->scope === RuleScope::Pattern) {
            return $rule;
        }
        $source = $difference->asked(Address::stored($rule->source, $difference->before));

        return $rule->with(['source' => $source->path, 'key' => $source->key]);
    }
}
