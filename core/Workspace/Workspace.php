<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Search\EffectiveSearch;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\Pages;

/**
 * What a batch is made in: the pages, menus and redirects as it leaves them, laid over what is, and what its changes
 * ask, say and wish for. Reads through to the ports and writes nothing.
 */
final class Workspace
{
    public readonly PageOverlay $pages;

    public readonly MenuOverlay $menus;

    public readonly RuleOverlay $redirects;

    private ?string $startPage;

    private ?string $startPageSignedIn;

    private SiteSearch $search;

    private AddressRules $rules;

    private ?SiteAccess $access = null;

    private ?SiteAccess $accessBefore = null;

    /** @var array<string, string> */
    private array $copies = [];

    /** @var array<string, true> */
    private array $addressesOfCopies = [];

    /** @var list<AddressWish> */
    private array $wishes = [];

    /** @var list<Question> */
    private array $questions = [];

    /** @var list<Note> */
    private array $notes = [];

    /** @var list<list<string>|null> */
    private array $mends = [];

    /** @param  array<string, true>  $spared  made pages that cannot be unmade, since visitors know addresses that lead to them */
    public function __construct(
        public readonly SiteContext $site,
        Pages $pages,
        public readonly Ledger $ledger,
        Menus $menus,
        Rules $redirects,
        public readonly Decisions $decisions,
        private readonly array $spared = [],
    ) {
        $this->startPage = $site->startPage;
        $this->startPageSignedIn = $site->startPageSignedIn;
        $this->search = $site->search;
        $this->rules = $site->rules;
        $this->pages = new PageOverlay($pages);
        $this->menus = new MenuOverlay($menus);
        $this->redirects = new RuleOverlay($redirects);
    }

    /** @param  string|null  $key  of the layout that the page is to get; null for the one it has */
    public function layout(Page $page, ?string $key = null): Layout
    {
        $layout = $this->site->layouts->of($key ?? $page->layout);

        return $layout->fieldsFrom === null ? $layout : $this->site->layouts->at($layout->key, $this->pages->ancestors($page));
    }

    /** How addresses are written, as the batch leaves it. */
    public function rules(): AddressRules
    {
        return $this->rules;
    }

    public function setRules(AddressRules $rules): void
    {
        $this->rules = $rules;
    }

    /** Null where the batch leaves it as it is. */
    public function rulesDifference(): ?AddressRulesDifference
    {
        return AddressRulesDifference::between($this->site->rules, $this->rules);
    }

    public function now(): Moment
    {
        return $this->site->now;
    }

    /** The page at `/`, as the batch leaves it. */
    public function startPage(): ?string
    {
        return $this->startPage;
    }

    /** What signed-in people get there; null for the same as visitors. */
    public function startPageSignedIn(): ?string
    {
        return $this->startPageSignedIn;
    }

    public function setStartPage(?string $page): void
    {
        $this->startPage = $page;
    }

    public function setStartPageSignedIn(?string $page): void
    {
        $this->startPageSignedIn = $page;
    }

    /** What the site tells search engines as a whole, as the batch leaves it. */
    public function search(): SiteSearch
    {
        return $this->search;
    }

    public function setSearch(SiteSearch $search): void
    {
        $this->search = $search;
    }

    /** Who works on the site and what they may do, as the batch leaves it. Read only where a change asks. */
    public function access(): SiteAccess
    {
        return $this->access ??= $this->accessBefore = $this->site->access?->access() ?? SiteAccess::begun();
    }

    public function setAccess(SiteAccess $access): void
    {
        $this->access();
        $this->access = $access;
    }

    /** The same as it was; null where no change was about it. */
    public function accessBefore(): ?SiteAccess
    {
        return $this->accessBefore;
    }

    /** As the batch leaves it; null where no change was about it. */
    public function accessNow(): ?SiteAccess
    {
        return $this->access;
    }

    /** What holds for a page's appearance in search engines, as the batch leaves it. */
    public function effectiveSearch(Page $page): EffectiveSearch
    {
        return $this->search->for($page, $this->pages->ancestors($page));
    }

    /** The same as it was before. */
    public function effectiveSearchBefore(Page $page): EffectiveSearch
    {
        return $this->site->search->for($page, $this->pages->ancestorsBefore($page));
    }

    /** Whether the page is what anybody gets at `/`. */
    public function isStartPage(string $id): bool
    {
        return $id === $this->startPage || $id === $this->startPageSignedIn;
    }

    /**
     * Asks the manager something, and says what has been decided: their own answer, the default where that is taken, null while it is open.
     *
     * @param  list<Answer>  $answers  that apply here
     * @param  bool  $matters  nothing is applied before it is answered
     */
    public function ask(QuestionKind $kind, Page $about, int $count, array $answers, Answer $default, bool $matters): ?Decision
    {
        $this->questions[] = $question = Question::of($this->decisions, $kind, $about, $count, $answers, $default, $matters);

        return $question->decided;
    }

    /** @return list<Question> */
    public function questions(): array
    {
        return $this->questions;
    }

    /** @param  list<string>|null  $pages  whose links written as addresses become links to the pages they lead to; null for all */
    public function mendLinks(?array $pages): void
    {
        $this->mends[] = $pages;
    }

    /** @return list<list<string>|null> */
    public function mends(): array
    {
        return $this->mends;
    }

    public function note(Note $note): void
    {
        $this->notes[] = $note;
    }

    /** @return list<Note> */
    public function notes(): array
    {
        return $this->notes;
    }

    public function wish(AddressWish $wish): void
    {
        $this->wishes[] = $wish;
    }

    /** @return list<AddressWish> */
    public function wishes(): array
    {
        return $this->wishes;
    }

    public function addCopy(string $copy, string $of): void
    {
        $this->copies[$copy] = $of;
    }

    /** @return array<string, string> copies made, each with what it is a copy of */
    public function copies(): array
    {
        return $this->copies;
    }

    /** @param  array<string, true>  $keys  of the addresses that copies take */
    public function takeForCopies(array $keys): void
    {
        $this->addressesOfCopies = $keys;
    }

    /** @return array<string, true> */
    public function addressesOfCopies(): array
    {
        return $this->addressesOfCopies;
    }

    /** Whether a page that was made stays, though its making is undone. */
    public function mustStay(string $id): bool
    {
        return isset($this->spared[$id]);
    }

    /** @throws InputRefused with this reason when anybody but the owner of the site makes the change */
    public function guardOwner(string $reason): void
    {
        if ($this->site->authority !== Authority::Owner) {
            throw new InputRefused('page', $reason);
        }
    }

    /** Whether a page is protected from whoever makes the change. */
    public function isProtectedFrom(Page $page): bool
    {
        return $page->isProtected && $this->site->authority !== Authority::Owner;
    }
}
