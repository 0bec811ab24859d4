<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** Port: the redirect rules of one site. */
interface Rules
{
    /**
     * @param  list<string>  $ids
     * @return array<string, Rule> by identity; rules that are not there are left out
     */
    public function named(array $ids): array;

    /**
     * @param  list<string>  $keys
     * @return array<string, Rule> rules that hold these addresses, by the address's key
     */
    public function claiming(array $keys): array;

    /** @return list<Rule> those that hold no address of their own: in front of others, looking at the query, branches, patterns */
    public function withoutClaim(): array;

    /**
     * @param  list<string>  $pages
     * @return iterable<Rule> that lead to one of these pages
     */
    public function leadingTo(array $pages): iterable;

    /**
     * @param  list<string>  $addresses
     * @return iterable<Rule> that lead to one of these addresses, as they are written
     */
    public function leadingToAddresses(array $addresses): iterable;

    /** @return iterable<Rule> every rule of the site: for what is decided about all its addresses */
    public function everyRule(): iterable;
}
