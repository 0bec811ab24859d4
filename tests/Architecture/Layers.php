<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The layer rules, checked by PHPStan through phpat. */
final class Layers
{
    public function test_the_core_depends_on_nothing_but_php_and_named_pure_libraries(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Heronstem\Core'))
            ->canOnlyDependOn()->classes(
                Selector::inNamespace('Heronstem\Core'), Selector::inNamespace('Masterminds'), Selector::inNamespace('Symfony\Component\HtmlSanitizer'), Selector::inNamespace('League\Uri'),
                Selector::classname('/^[A-Za-z]+$/', true),
            )->because('the rules of the job stand on their own');
    }

    public function test_the_core_ports_are_implemented_in_the_store(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('App\Desk'))->shouldNotDependOn()->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Console'))
            ->because('use cases do not know who asks for them');
    }

    public function test_the_store_knows_neither_use_cases_nor_requests(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('App\Store'))->shouldNotDependOn()->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Console'), Selector::inNamespace('App\Desk'))
            ->because('the store is below the desk');
    }
}
