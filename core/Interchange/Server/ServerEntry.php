<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

/** An answer for the paths that an expression matches. */
final readonly class ServerEntry
{
    /**
     * @param  string  $source  of the rule
     * @param  string  $expression  of the whole path as it was asked, without anchors and with plain groups for what is caught
     * @param  int  $groups  how many are caught
     * @param  list<SpeltParameter>  $asked  parameters that the query must have
     */
    public function __construct(
        public string $source,
        public string $expression,
        public int $groups,
        public ServerAnswer $answer,
        public array $asked = [],
    ) {
    }
}
