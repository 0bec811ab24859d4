<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\MakeFrom;
use Heronstem\Core\Change\Pin;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\Change\Tag;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

final class MakeFromTest extends TestCase
{
    private const NEW = '01J0000000000000000000000N';

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        foreach (['Skerra' => null, 'See' => 'Skerra', 'Stay' => 'Skerra'] as $page => $parent) {
            $this->site->live($page, $parent);
        }
        $this->site->apply(
            new Describe('Skerra', ['summary' => 'An island', 'searchTitle' => 'Skerra']),
            new Tag('Skerra', ['islands']),
            new Pin('Stay', Address::set('/beds', $this->site->rules)),
        );
        $this->site->kept['island'] = array_map(fn (string $page): \Heronstem\Core\Tree\Page => $this->site->pages[$page], ['Skerra', 'See', 'Stay']);
    }

    #[Test]
    public function a_branch_is_made_as_drafts_with_what_was_kept_and_undone(): void
    {
        $before = $this->site->snapshot();
        $made = $this->site->apply(new MakeFrom(self::NEW, 'island', PageName::of('Ullin'), Place::lastIn(null)));
        $new = $this->site->pages[self::NEW];
        self::assertSame(
            ['Ullin', 'ullin', 'An island', ['islands'], PageState::Draft, false],
            [$new->name, $new->slug->text, $new->texts->summary, $new->tags->all, $new->state, $new->isProtected],
        );
        $below = array_values(array_filter($this->site->pages, static fn ($page): bool => $page->parent === self::NEW));
        self::assertSame(['/ullin/see', '/ullin/stay'], array_map(static fn ($page): string => $page->address->path, $below));
        self::assertSame(['Skerra', 'See', 'Stay'], array_values($made->pages->copies));
        $this->site->undo($made);
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function it_stays_what_it_was_when_the_page_changes_or_goes(): void
    {
        $this->site->apply(new Rename('See', PageName::of('Sights')), new Describe('Skerra', ['summary' => 'Another']));
        unset($this->site->pages['See']);
        $this->site->apply(new MakeFrom(self::NEW, 'island', PageName::of('Ullin'), Place::lastIn('Stay'), Slug::of('isle')));
        self::assertSame('An island', $this->site->pages[self::NEW]->texts->summary);
        self::assertSame('/beds/isle', $this->site->pages[self::NEW]->address->path);
    }

    #[Test]
    public function a_slug_that_is_taken_is_numbered_like_that_of_a_copy(): void
    {
        $this->site->apply(new MakeFrom(self::NEW, 'island', PageName::of('Skerra'), Place::lastIn(null)));
        self::assertSame('/skerra-2', $this->site->pages[self::NEW]->address->path);
        $this->site->apply(new Duplicate(self::NEW, '01J0000000000000000000000M', Scope::Branch));
        self::assertSame('/skerra-copy', $this->site->pages['01J0000000000000000000000M']->address->path);
    }

    #[Test]
    public function one_that_is_not_there_and_an_identity_that_is_taken_are_refused(): void
    {
        $refused = [];
        foreach ([[self::NEW, 'none'], ['See', 'island']] as [$page, $from]) {
            try {
                $this->site->plan(new MakeFrom($page, $from, PageName::of('Ullin'), Place::lastIn(null)));
            } catch (InputRefused $no) {
                $refused[] = $no->field;
            }
        }
        self::assertSame(['changes.0.from', 'changes.0.page'], $refused);
    }
}
