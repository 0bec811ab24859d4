<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\PackedTexts;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PackedTextsTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function each_key_has_the_text_that_was_put_last_and_keeps_its_place(): void
    {
        $put = Generators::tuple(Generators::choose(0, 40), Generators::elements('', null, 'a', "two\0words", str_repeat('long ', 50)));
        $this->forAll(Generators::seq($put))->then(function (array $puts): void {
            $texts = new PackedTexts(3);
            $plain = [];
            foreach ($puts as [$key, $text]) {
                $texts->put("k$key", $text);
                $plain["k$key"] = $text;
                self::assertSame($text, $texts->find("k$key"));
            }
            self::assertSame(array_keys($plain), iterator_to_array($texts->keys(), false));
            self::assertCount(count($plain), $texts);
            foreach ($plain as $key => $text) {
                self::assertTrue($texts->has($key));
                self::assertSame($text, $texts->find($key));
            }
            self::assertFalse($texts->has('another'));
            self::assertNull($texts->find('another'));
            self::assertSame(['another' => 1], $texts->others([...$plain, 'another' => 1]));
        });
    }

    #[Test]
    public function what_is_put_while_keys_are_gone_through_is_not_among_them(): void
    {
        $texts = new PackedTexts(2);
        foreach (['one', 'two', 'three', 'four', 'five'] as $key) {
            $texts->put($key, $key);
        }
        $seen = [];
        foreach ($texts->keys() as $key) {
            $seen[] = $key;
            $texts->put($key, "$key again");
            $texts->put("$key more", 'new');
        }
        self::assertSame(['one', 'two', 'three', 'four', 'five'], $seen);
        self::assertSame('two again', $texts->find('two'));
        self::assertSame('new', $texts->find('five more'));
    }

    #[Test]
    public function texts_that_are_nearly_alike_take_a_part_of_what_they_took(): void
    {
        $before = memory_get_usage();
        $texts = new PackedTexts();
        for ($n = 0; $n < 10_000; $n++) {
            $texts->put(
                "/islands/skerra/$n",
                "a page of the islands, number $n, which lies below Skerra and says what there is to be seen and how to get there",
            );
        }
        $packed = memory_get_usage() - $before;
        $plain = [];
        for ($n = 0; $n < 10_000; $n++) {
            $plain[
                "/islands/skerra/$n"
            ] = "a page of the islands, number $n, which lies below Skerra and says what there is to be seen and how to get there";
        }
        self::assertLessThan((memory_get_usage() - $before - $packed) * 0.6, $packed);
        self::assertSame($plain['/islands/skerra/77'], $texts->find('/islands/skerra/77'));
    }
}
