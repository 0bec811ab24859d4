<?php

declare(strict_types=1);

namespace App\Desk;

use App\Jobs\SendLetter;
use App\Models\HistoryEntry;
use App\Models\Membership;
use App\Models\Page as PageRow;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Database\Connection;

/** Tells by mail who may publish that pages wait for them, and who sent a page that it came back. */
final readonly class ReviewLetters
{
    /** Letters of one change, and pages named in one. */
    private const MOST_LETTERS = 50;

    private const MOST_NAMES = 20;

    public function __construct(private Connection $db, private Dispatcher $bus, private RightsOn $rights)
    {
    }

    public function after(Ripple $ripple, Site $site, User $by): void
    {
        if (! AccountLinks::canMail()) {
            return;
        }
        $sent = $returned = [];
        foreach ($ripple->pages->differences as $difference) {
            $page = $ripple->pages->outcome->find($difference->page);
            $was = $difference->before['state'] ?? null;
            if ($page?->state === PageState::InReview && $was !== null) {
                $sent[] = $page;
            } elseif ($page !== null && ! $page->isLive() && $was === PageState::InReview->value) {
                $returned[] = $page;
            }
        }
        if ($sent !== []) {
            $this->tellThoseWhoPublish($sent, $site, $by);
        }
        foreach ($returned as $page) {
            $this->tellWhoSent($page, $site, $by);
        }
    }

    /** @param  non-empty-list<Page>  $pages */
    private function tellThoseWhoPublish(array $pages, Site $site, User $by): void
    {
        $first = PageRow::query()->where('ulid', $pages[0]->id)->firstOrFail();
        $people = Membership::query()
            ->where('site_id', $site->id)
            ->whereNull('disabled_at')
            ->where('user_id', '<>', $by->id)
            ->with('user')
            ->orderBy('id')
            ->get();
        $names = implode(', ', array_map(static fn (Page $page): string => $page->name, array_slice($pages, 0, self::MOST_NAMES)));
        $letters = 0;
        foreach ($people as $membership) {
            $user = $membership->user;
            if ($letters < self::MOST_LETTERS && $user->joined_at !== null && $this->rights->own($user, $site)->mayOn(Right::Publish, $first)) {
                $letters++;
                $this->send($user, "{$by->name} asks for a review on {$site->name}", [
                    "Hello {$user->name},",
                    "{$by->name} has sent for review: $names.",
                    ...$pages[0]->reviewNote === '' ? [] : ["“{$pages[0]->reviewNote}”"],
                    ...self::link($site, '?state=review'),
                ]);
            }
        }
    }

    private function tellWhoSent(Page $page, Site $site, User $by): void
    {
        $user = HistoryEntry::query()
            ->where('site_id', $site->id)
            ->whereRaw("kinds @> array['send-for-review'] and touched @> array[?]::text[]", [$page->id])
            ->where('user_id', '<>', $by->id)
            ->orderByDesc('id')
            ->with('user')
            ->first()?->user;
        $model = PageRow::query()->where('site_id', $site->id)->where('ulid', $page->id)->first();
        if ($user !== null && $model !== null && $this->rights->own($user, $site)->mayOn(Right::See, $model)) {
            $this->send($user, "“{$page->name}” came back to you", [
                "Hello {$user->name},",
                "{$by->name} has returned “{$page->name}” to you on {$site->name}.",
                ...$page->reviewNote === '' ? [] : ["“{$page->reviewNote}”"],
                ...self::link($site, "?page={$page->id}"),
            ]);
        }
    }

    /** @return list<string> none where it is not known under which address the editor is reached */
    private static function link(Site $site, string $query): array
    {
        $editor = config('heronstem.editor_url');

        return is_string($editor) && $editor !== '' ? [rtrim($editor, '/')."/s/{$site->key}/outline$query"] : [];
    }

    /** @param  list<string>  $lines */
    private function send(User $user, string $about, array $lines): void
    {
        $letter = new SendLetter($user->email, $about, $lines);
        $this->db->afterCommit(fn () => $this->bus->dispatch($letter));
    }
}
