<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Tree\Page;

/** An address that a batch wants and somebody else holds: who, and the ways out that apply here. */
final readonly class Conflict
{
    /**
     * @param  string  $page  the page that wants the address; empty where a redirect rule does
     * @param  Claim  $held  who has it
     * @param  Page|null  $holder  the page behind the claim, as it is now
     * @param  list<WayOut>  $waysOut
     * @param  string|null  $rule  the redirect rule that wants the address
     */
    public function __construct(
        public Address $address,
        public string $page,
        public Claim $held,
        public ?Page $holder,
        public array $waysOut,
        public ?string $rule = null,
    ) {
    }

    /** @param  list<WayOut>  $waysOut */
    public function with(array $waysOut): self
    {
        return new self($this->address, $this->page, $this->held, $this->holder, $waysOut, $this->rule);
    }
}
