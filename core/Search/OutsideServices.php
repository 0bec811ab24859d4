<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** What a site asks of the world outside; nothing unless somebody switched it on. */
final readonly class OutsideServices
{
    /**
     * @param  bool  $checksLinks  whether links to other sites are tried now and then
     * @param  bool  $tellsEngines  whether search engines are told of pages that changed (IndexNow)
     */
    public function __construct(public bool $checksLinks = false, public bool $tellsEngines = false)
    {
    }

    /** @return array<string, bool> what is switched on */
    public function toArray(): array
    {
        return array_filter(get_object_vars($this));
    }

    /** @param  array<mixed>  $kept  as toArray() gave it */
    public static function fromArray(array $kept): self
    {
        return new self(($kept['checksLinks'] ?? null) === true, ($kept['tellsEngines'] ?? null) === true);
    }
}
