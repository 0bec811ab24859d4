<?php

declare(strict_types=1);

namespace Tests\Core\Address;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Address\TrailingSlash;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** One address by two ways of writing addresses. */
final class AddressRulesDifferenceTest extends TestCase
{
    private const RULES = ['plain' => [], 'slash' => ['trailingSlash' => TrailingSlash::Always], 'html' => ['suffix' => '.html']];

    private static function between(string $before, string $after): AddressRulesDifference
    {
        return new AddressRulesDifference(new AddressRules(...self::RULES[$before]), new AddressRules(...self::RULES[$after]));
    }

    #[Test]
    #[TestWith(['plain', 'slash', '/travel/fares', '/travel/fares/', '/travel/fares/'])]
    #[TestWith(['slash', 'plain', '/travel/fares/', '/travel/fares', '/travel/fares'])]
    #[TestWith(['plain', 'html', '/travel/fares', '/travel/fares.html', '/travel/fares.html'])]
    #[TestWith(['slash', 'html', '/travel/fares/', '/travel/fares.html', '/travel/fares.html'])]
    // A request for what ended in `.html` is one for a file where nothing ends so any more.
    #[TestWith(['html', 'plain', '/travel/fares.html', '/travel/fares', '/travel/fares.html'])]
    #[TestWith(['html', 'slash', '/travel/fares.html', '/travel/fares/', '/travel/fares.html'])]
    #[TestWith(['plain', 'slash', '/files/map.pdf', '/files/map.pdf', '/files/map.pdf'])]
    #[TestWith(['plain', 'html', '/', '/', '/'])]
    public function an_own_address_gets_the_new_ending_and_a_request_is_looked_up_by_it(
        string $before,
        string $after,
        string $address,
        string $own,
        string $asked,
    ): void {
        $difference = self::between($before, $after);
        $stored = Address::stored($address, $difference->before);
        self::assertSame($own, $difference->own($stored)->path);
        self::assertSame($asked, $difference->asked($stored)->path);
        self::assertTrue($difference->respells());
    }

    #[Test]
    public function letters_count_for_slugs_to_come_and_leave_addresses_as_they_are(): void
    {
        $difference = AddressRulesDifference::between(new AddressRules(), new AddressRules(nativeLetters: true));
        self::assertNotNull($difference);
        self::assertFalse($difference->respells());
        self::assertNull(AddressRulesDifference::between(new AddressRules(), new AddressRules()));
        self::assertEquals($difference, AddressRulesDifference::fromArray($difference->toArray()));
    }
}
