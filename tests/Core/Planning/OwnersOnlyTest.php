<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\Protect;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\SetCode;
use Heronstem\Core\Change\Unprotect;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Authority;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** What is an owner's to do is so by whatever way it comes about. */
final class OwnersOnlyTest extends TestCase
{
    private const META = '<meta name="a" content="b">';

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Fares');
        $this->site->live('Adults', 'Fares');
    }

    /** @return iterable<string, array{Change}> */
    public static function owners(): iterable
    {
        yield 'protects a page' => [new Protect('Fares')];
        yield 'protects a page inside' => [new Protect('Adults')];
    }

    #[Test, DataProvider('owners')]
    public function a_manager_neither_does_it_nor_takes_it_back(Change $change): void
    {
        $before = $this->site->snapshot();
        self::assertTrue($this->isRefused(fn () => $this->site->plan($change)));
        $this->site->authority = Authority::Owner;
        $done = $this->site->apply($change);
        $after = $this->site->snapshot();
        $this->site->authority = Authority::Manager;
        self::assertTrue($this->isRefused(fn () => $this->site->undo($done)));
        self::assertSame($after, $this->site->snapshot());
        $this->site->authority = Authority::Owner;
        $this->site->undo($done);
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function what_else_a_manager_does_leaves_it(): void
    {
        $this->site->authority = Authority::Owner;
        $this->site->apply(new SetCode('Fares', ['head' => self::META]), new Protect('Fares'));
        $this->site->authority = Authority::Manager;
        $renamed = $this->site->apply(new Rename('Fares', PageName::of('Prices')));
        self::assertSame(self::META, $this->site->pages['Fares']->code->head);
        $this->site->undo($renamed);
        $this->site->apply(new Duplicate('Fares', '01J0000000000000000000000C'));
        self::assertTrue($this->site->pages['01J0000000000000000000000C']->code->isBlank());
        self::assertFalse($this->site->pages['01J0000000000000000000000C']->isProtected);
        $this->site->authority = Authority::Owner;
        $this->site->writesCode = true;
        $this->site->apply(new Unprotect('Fares'), new Duplicate('Fares', '01J0000000000000000000000D'));
        self::assertSame(self::META, $this->site->pages['01J0000000000000000000000D']->code->head);
    }

    private function isRefused(\Closure $do): bool
    {
        try {
            $do();
        } catch (InputRefused) {
            return true;
        }

        return false;
    }
}
