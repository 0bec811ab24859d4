<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\Make;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** A page that is made because links want it. */
final class MakeWantedTest extends TestCase
{
    private const ID = '01J00000000000000000000009';

    #[Test]
    public function it_keeps_the_name_that_it_was_wanted_by_whatever_it_is_called(): void
    {
        $site = new MemorySite();
        $made = $site->apply(new Make('New', PageName::of('Fares in winter'), Place::lastIn(null), null, ' Winter  FARES'));
        self::assertSame('winter fares', $site->page('New')?->wantedAs);
        $site->undo($made);
        self::assertNull($site->page('New'));
    }

    #[Test]
    public function a_copy_of_it_is_not_what_was_wanted(): void
    {
        $site = new MemorySite();
        $site->apply(new Make('New', PageName::of('Fares'), Place::lastIn(null), null, 'Fares'));
        $site->apply(new Duplicate('New', 'Copy'));
        self::assertNull($site->page('Copy')?->wantedAs);
    }

    /** @return iterable<string, array{mixed, string|null}> */
    public static function named(): iterable
    {
        yield 'a name' => ['Winter fares', 'Winter fares'];
        yield 'nothing' => [null, null];
    }

    #[Test]
    #[DataProvider('named')]
    public function it_is_read_and_written_as_it_was_asked_for(mixed $wanted, ?string $read): void
    {
        $batch = $this->read($wanted === null ? [] : ['wanted' => $wanted]);
        self::assertSame($read, $batch->changes[0] instanceof Make ? $batch->changes[0]->wanted : 'no such change');
        self::assertSame($read, $batch->changes[0]->toArray()['wanted'] ?? null);
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function refused(): iterable
    {
        yield 'blank' => ['  ', 'by which name'];
        yield 'far too long' => [str_repeat('x', 201), 'At most 200'];
    }

    #[Test]
    #[DataProvider('refused')]
    public function a_name_that_no_link_could_have_is_refused(mixed $wanted, string $reason): void
    {
        $this->expectException(InputRefused::class);
        $this->expectExceptionMessage($reason);
        $this->read(['wanted' => $wanted]);
    }

    /** @param  array<string, mixed>  $fields */
    private function read(array $fields): Batch
    {
        return (new ChangeReader(new AddressRules(), 'UTC'))->batch([['kind' => 'make', 'page' => self::ID, 'name' => 'Fares', 'place' => ['last' => null]] + $fields], []);
    }
}
