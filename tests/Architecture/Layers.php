<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The layer rules, checked by PHPStan through phpat. */
final class Layers
{
    /** The rooms of the core in the direction of dependence: each may use those before it, and the root. */
    private const ROOMS = [
        'Address',
        'Linking',
        'Visitors',
        'Tree',
        'Decision',
        'Ledger',
        'Content',
        'Redirect',
        'Menu',
        'Search',
        'Audit',
        'Access',
        'Workspace',
        'Change',
        'Ripple',
        'Planning',
        'Interchange',
    ];

    #[TestRule]
    public function the_core_depends_on_nothing_but_php_and_named_pure_libraries(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Heronstem\Core'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('Heronstem\Core'),
                Selector::inNamespace('Masterminds'),
                Selector::inNamespace('Symfony\Component\HtmlSanitizer'),
                Selector::inNamespace('League\Uri'),
                Selector::inNamespace('Sabberworm\CSS'),
                Selector::inNamespace('Opis\JsonSchema'),
                Selector::inNamespace('Symfony\Component\Uid'),
                Selector::inNamespace('Symfony\Component\Yaml'),
                Selector::inNamespace('SebastianBergmann\Diff'),
                Selector::classname('/^[A-Za-z]+$/', true),
            )
            ->because('the rules of the job stand on their own');
    }

    /** @return iterable<Rule> */
    #[TestRule]
    public function a_room_of_the_core_uses_only_those_before_it(): iterable
    {
        yield PHPat::rule()
            ->classes(Selector::classname('/^Heronstem\\\\Core\\\\[A-Za-z]+$/', true))
            ->shouldNotDependOn()
            ->classes(...array_map(self::room(...), self::ROOMS))
            ->because('the root holds what every room uses');
        foreach (self::ROOMS as $i => $room) {
            $later = array_slice(self::ROOMS, $i + 1);
            if ($later !== []) {
                yield PHPat::rule()
                    ->classes(self::room($room))
                    ->shouldNotDependOn()
                    ->classes(...array_map(self::room(...), $later))
                    ->because("$room comes before ".implode(', ', $later));
            }
        }
    }

    #[TestRule]
    public function use_cases_do_not_know_who_asks_for_them(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Desk'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Console'))
            ->because('use cases do not know who asks for them');
    }

    #[TestRule]
    public function requests_and_commands_reach_the_store_through_use_cases(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Console'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Store'))
            ->because('what is done with what is stored is a use case, in App\Desk');
    }

    #[TestRule]
    public function the_store_knows_neither_use_cases_nor_requests(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Store'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Console'), Selector::inNamespace('App\Desk'))
            ->because('the store is below the desk');
    }

    private static function room(string $name): \PHPat\Selector\ClassNamespace
    {
        return Selector::inNamespace("Heronstem\\Core\\$name");
    }
}
