<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** A rule that answers a request, with what it caught of the path. */
final readonly class RuleMatch
{
    /**
     * @param  array<string, string>  $captures  of a pattern, percent-encoded as the path has them
     * @param  string  $rest  of a branch: the path below its source, without a slash in front; empty at the source itself
     */
    public function __construct(public Rule $rule, public array $captures = [], public string $rest = '')
    {
    }
}
