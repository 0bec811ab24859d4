<?php

declare(strict_types=1);

namespace Tests\Core\Contract;

use Heronstem\Core\Access\Marks;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Menu\MenuPages;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Tree\PersonAtPage;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemoryMarks;
use Tests\Core\Memory\MemorySite;

final class MemoryPortsTest extends TestCase
{
    use PortsContract;

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
    }

    protected function pages(): Pages
    {
        return $this->site;
    }

    protected function redirects(): Rules
    {
        return $this->site;
    }

    protected function ledger(): Ledger
    {
        return $this->site;
    }

    protected function menus(): Menus
    {
        return $this->site;
    }

    protected function menuPages(): MenuPages
    {
        return $this->site;
    }

    protected function marks(): Marks
    {
        return new MemoryMarks($this->site);
    }

    protected function somebodyAt(PersonAtPage $person): void
    {
        $this->site->people[] = $person;
    }

    protected function carryOut(Change ...$changes): mixed
    {
        return $this->site->apply(...$changes);
    }
}
