<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Tree\Page;

/** An address that a page or a redirect rule wants, and the claim in its way. */
final readonly class AddressClash
{
    private function __construct(public ?Page $page, public ?Rule $rule, public Address $wanted, public Claim $held)
    {
    }

    public static function ofPage(Page $page, Address $wanted, Claim $held): self
    {
        return new self($page, null, $wanted, $held);
    }

    public static function ofRule(Rule $rule, Address $wanted, Claim $held): self
    {
        return new self(null, $rule, $wanted, $held);
    }
}
