<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Layout\FieldInput;
use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Numbers and amounts as people of many countries type them, and as tables have them. */
final class FieldInputTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_number_is_the_same_however_its_thousands_and_places_are_written(): void
    {
        $this->limitTo(400)
            ->forAll(Generators::choose(-9_999_999, 9_999_999), Generators::choose(0, 99))
            ->then(function (int $whole, int $cents): void {
                $sign = $whole < 0 ? '-' : '';
                $value = (float) sprintf('%s%d.%02d', $sign, abs($whole), $cents);
                foreach (
                    [[',', '.'], ['.', ','], [' ', ','], ["\u{202F}", ','], ["\u{00A0}", '.'], ["'", '.'], ['', '.'], ['', ',']] as [$thousands, $point]
                ) {
                    $typed = $sign.number_format(abs($whole), 0, '.', '|').$point.sprintf('%02d', $cents);
                    self::assertSame($value, (float) self::read(FieldKind::Number, str_replace('|', $thousands, $typed)), $typed);
                    self::assertSame(
                        sprintf('%s%d.%02d', $sign, abs($whole), $cents),
                        self::read(FieldKind::Money, str_replace('|', $thousands, $typed), 'EUR'),
                    );
                }
            });
    }

    #[Test]
    public function a_whole_number_is_the_same_however_its_thousands_are_written(): void
    {
        $this->limitTo(200)
            ->forAll(Generators::choose(-999_999_999, 999_999_999))
            ->then(function (int $number): void {
                foreach ([',', '.', ' ', "'", ''] as $thousands) {
                    $typed = ($number < 0 ? '-' : '').number_format(abs($number), 0, '', $thousands);
                    $groups = substr_count($typed, $thousands === '' ? 'x' : $thousands);
                    if ($groups === 1 && in_array($thousands, [',', '.'], true)) {
                        self::refused('could be', fn () => self::read(FieldKind::Number, $typed));
                    } else {
                        self::assertSame($number, self::read(FieldKind::Number, $typed), $typed);
                    }
                }
            });
    }

    #[Test]
    #[TestWith(['1e5'])]
    #[TestWith(['1e400'])]
    #[TestWith(['12,34,567'])]
    #[TestWith(['1.2.3'])]
    #[TestWith(['1.234,567,890'])]
    #[TestWith(['0x1A'])]
    #[TestWith(['-'])]
    #[TestWith(['twelve'])]
    #[TestWith(["12\u{0663}"])]
    #[TestWith(["\xff12"])]
    public function what_is_no_number_is_refused_and_never_made_one(string $typed): void
    {
        foreach ([FieldKind::Number, FieldKind::Money] as $kind) {
            self::refused('such as 12', static fn () => self::read($kind, $typed, 'EUR'));
        }
    }

    #[Test]
    public function more_digits_than_are_computed_with_exactly_are_refused(): void
    {
        self::assertSame(999_999_999_999_999, self::read(FieldKind::Number, '999999999999999'));
        self::refused('at most 15 digits', static fn () => self::read(FieldKind::Number, '9999999999999999'));
        self::refused('at most 15 digits', static fn () => self::read(FieldKind::Number, str_repeat('9', 400)));
        self::refused('an amount', static fn () => self::read(FieldKind::Money, str_repeat('9', 13), 'EUR'));
    }

    #[Test]
    public function an_amount_has_the_places_of_its_currency(): void
    {
        self::assertSame('12.50', self::read(FieldKind::Money, '€ 12,5', 'EUR'));
        self::assertSame('12.00', self::read(FieldKind::Money, '12', 'EUR'));
        self::assertSame('12.00', self::read(FieldKind::Money, 12, 'EUR'));
        self::assertSame('1200', self::read(FieldKind::Money, '1200 JPY', 'JPY'));
        self::assertSame('0.125', self::read(FieldKind::Money, '0.125', 'KWD'));
        self::refused('2 places', static fn () => self::read(FieldKind::Money, '0.505', 'EUR'));
        self::refused('no smaller coin', static fn () => self::read(FieldKind::Money, '12.5', 'JPY'));
        self::assertSame('0.50', self::read(FieldKind::Money, '0.500', 'EUR'), 'Zeros at the end say nothing.');
    }

    #[Test]
    public function what_was_read_is_read_again_as_the_same(): void
    {
        $texts = Generators::elements(['  Farra ', "a\r\nb", 'yes', '12.50', '2027-05-31', '01JZZZZZZZZZZZZZZZZZZZZZZ1', '0', "\t", "é\u{00A0}è"]);
        $this->limitTo(200)
            ->forAll($texts, Generators::elements(FieldKind::cases()))
            ->then(function (string $typed, FieldKind $kind): void {
                if ($kind === FieldKind::Rows) {
                    return;
                }
                try {
                    $read = self::read($kind, $typed, 'EUR');
                } catch (InputRefused $refused) {
                    self::assertNotSame('', $refused->reason);

                    return;
                }
                self::assertSame($read, self::read($kind, $read, 'EUR'));
            });
    }

    #[Test]
    public function rows_lose_those_in_which_nothing_stands_and_keep_the_numbers_of_the_others(): void
    {
        $name = new LayoutField('name', 'Name', FieldKind::Text, []);
        $price = new LayoutField('price', 'Price', FieldKind::Money, ['currency' => 'EUR']);
        $rows = new LayoutField('fares', 'Fares', FieldKind::Rows, [], columns: [$name, $price]);

        self::assertSame(
            [0 => ['name' => 'Child', 'price' => '7.00'], 2 => ['name' => 'Dog']],
            FieldInput::read($rows, [['name' => ' Child ', 'price' => '7'], ['name' => '', 'price' => null], ['name' => 'Dog']], 'fares'),
        );
        self::assertNull(FieldInput::read($rows, [['name' => ''], []], 'fares'));
        foreach ([[['wrong' => 'x']], ['x'], ['a' => ['name' => 'x']], 'text', [['name' => ['x']]]] as $given) {
            self::refused('', static fn () => FieldInput::read($rows, $given, 'fares'));
        }
        try {
            FieldInput::read($rows, [['name' => 'Child'], ['price' => 'much']], 'fares');
            self::fail('Much is no amount.');
        } catch (InputRefused $refused) {
            self::assertSame('fares.1.price', $refused->field);
            self::assertStringStartsWith('Row 2, Price: ', $refused->reason);
        }
    }

    private static function read(FieldKind $kind, mixed $given, string $currency = ''): mixed
    {
        return FieldInput::read(
            new LayoutField('length', 'Length', $kind, $currency === '' ? [] : ['currency' => $currency]),
            $given,
            'fields.length',
        );
    }

    private static function refused(string $reason, \Closure $read): void
    {
        try {
            $read();
        } catch (InputRefused $refused) {
            self::assertStringContainsString($reason, $refused->reason);

            return;
        }
        self::fail('It was taken.');
    }
}
