<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Models\Visitor;
use App\Store\HitLog;
use App\Store\NearAddresses;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageState;

/** What a visitor gets for what they ask: the way to the answer, noted where redirects or misses are counted, and the page at its end. */
final readonly class AnswerVisitor
{
    public function __construct(private Resolvers $resolvers, private HitLog $hits, private NearAddresses $near)
    {
    }

    public function resolve(string $asked, Site $site): Resolution
    {
        return $this->resolvers->for($site)->resolve($asked);
    }

    /** The page that a resolution ends at: people who are signed in may have a start page of their own. */
    public function pageOf(Resolution $resolution, Site $site, ?Visitor $visitor): Page
    {
        $page = Page::query()->with('content')->where('ulid', (string) $resolution->page)->firstOrFail();
        if ($visitor === null || $site->start_page_signed_in_id === null || $page->id !== $site->start_page_id) {
            return $page;
        }
        $own = Page::query()->with('content')->find($site->start_page_signed_in_id);

        return $own?->isVisible() === true ? $own : $page;
    }

    /** The pointer that stands at the address itself, wherever it leads; null for none. */
    public function pointerAt(Resolution $resolution, Site $site): ?Page
    {
        return Page::query()
            ->where('site_id', $site->id)
            ->where('kind', PageKind::Pointer)
            ->whereRaw('id = (select page_id from ledger where site_id = ? and key = ?)', [
                $site->id,
                NormalForm::key($resolution->normal, $site->rules()),
            ])
            ->first();
    }

    /** What visitors see on a page; in the minute before its schedule is carried out that is what it will go live with. */
    public function contentOf(Page $page): Document
    {
        return $page->state === PageState::Live ? $page->content?->liveDocument() ?? Document::blank() : PageContent::document($page->content);
    }

    public function note(Resolution $resolution, RequestOrigin $origin, Site $site): void
    {
        $this->hits->answered($resolution, $origin, $site->id, $site->rules());
    }

    /** Counts a search by what came of it; some of the words are no answer. */
    public function noteSearch(FoundPages $found, RequestOrigin $origin, Site $site): void
    {
        $outcome = match ($found->outcome) {
            FoundPages::FOUND, FoundPages::NEAR => $found->outcome,
            default => $found->answer === null ? FoundPages::NOTHING : FoundPages::FOUND,
        };
        $this->hits->searched($site->id, $found->words->key(), $outcome, $origin);
    }

    /** @return list<\stdClass> pages that were probably meant, with name and address */
    public function near(string $address, Site $site): array
    {
        return $this->near->to($address, $site);
    }

    public function file(string $ulid, Site $site): ?File
    {
        return File::query()->where('site_id', $site->id)->where('ulid', $ulid)->whereNull('binned_at')->first();
    }
}
