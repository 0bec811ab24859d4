<?php

declare(strict_types=1);

namespace App\Models;

use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\Hidden;
use Heronstem\Core\Menu\MenuPage;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\PageTexts;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;

/**
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property int|null $parent_id
 * @property string $path
 * @property int $position
 * @property string $name
 * @property string|null $heading null while it follows the name
 * @property string $slug
 * @property bool $slug_by_hand
 * @property string $address
 * @property PageState $state
 * @property bool $ever_live
 * @property \Illuminate\Support\Carbon|null $live_since
 * @property bool $listed
 * @property bool $indexed search engines may list it, after everything it inherits
 * @property string|null $tags as Tags reads them
 * @property string|null $showing as Showing reads it
 * @property string|null $code as Code reads it
 * @property string|null $wanted_as the key of the name under which links wanted it
 * @property string|null $access who sees it, as PageAccess reads it
 * @property int|null $gate_id the nearest page, itself or above, that says who sees it
 * @property bool $in_sitemap it belongs there, after everything it inherits
 * @property string $social_title
 * @property string $social_description
 * @property string|null $search as SearchSettings reads it
 * @property string|null $branch_search as SearchDefaults reads it
 * @property PageKind $kind
 * @property string|null $leads_to
 * @property string|null $pinned
 * @property bool $left_out
 * @property bool $is_protected
 * @property int|null $bin_id
 * @property string|null $was
 * @property \Illuminate\Support\Carbon|null $binned_at
 * @property \Illuminate\Support\Carbon|null $from_at
 * @property \Illuminate\Support\Carbon|null $until_at
 * @property string $review_note
 * @property string $layout
 * @property string $summary
 * @property string $search_title
 * @property string $search_description
 * @property string $fields what stands in the fields of its layout, as FieldValues reads it
 * @property array<string, string|null>|null $prepared texts that wait to be published; null where none differ
 * @property int|null $clicks
 * @property int $links_in
 * @property int $version
 * @property int|null $changed_by
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read Site $site
 * @property-read Page|null $parent
 * @property-read PageContent|null $content
 * @property-read User|null $changedBy
 */
final class Page extends Model
{
    use KnownByUlid, StartsQuickly;

    protected $table = 'pages';

    protected $guarded = ['id'];

    protected $casts = [
        'state' => PageState::class,
        'slug_by_hand' => 'bool',
        'ever_live' => 'bool',
        'listed' => 'bool',
        'indexed' => 'bool',
        'in_sitemap' => 'bool',
        'live_since' => 'datetime',
        'left_out' => 'bool',
        'is_protected' => 'bool',
        'from_at' => 'datetime',
        'until_at' => 'datetime',
        'binned_at' => 'datetime',
        'kind' => PageKind::class,
        'prepared' => 'array',
    ];

    public function displayHeading(): string
    {
        return $this->heading ?? $this->name;
    }

    /** The texts being worked on: those that wait to be published, or those that visitors get. */
    public function workingTexts(): PageTexts
    {
        return $this->prepared === null ? $this->liveTexts() : PageTexts::fromArray($this->prepared);
    }

    /** Those that visitors get, or would get. */
    public function liveTexts(): PageTexts
    {
        return PageTexts::fromArray([
            'heading' => $this->heading,
            'summary' => $this->summary,
            'searchTitle' => $this->search_title,
            'searchDescription' => $this->search_description,
            'socialTitle' => $this->social_title,
            'socialDescription' => $this->social_description,
            'fields' => $this->fields,
        ]);
    }

    /** The same page showing these texts, for looking at; not to be saved. */
    public function showing(PageTexts $texts): self
    {
        return $this->replicate()->forceFill([
            'id' => $this->id,
            'ulid' => $this->ulid,
            'heading' => $texts->heading,
            'summary' => $texts->summary,
            'search_title' => $texts->searchTitle,
            'search_description' => $texts->searchDescription,
            'social_title' => $texts->socialTitle,
            'social_description' => $texts->socialDescription,
            'fields' => $texts->fields->toText(),
        ]);
    }

    public function hasEdits(): bool
    {
        return $this->state === PageState::Live && ($this->prepared !== null || ($this->content?->hasUnpublishedEdits() ?? false));
    }

    /** Whether visitors get it at a moment, also in the minute before its schedule is carried out. */
    public function isVisible(?Moment $at = null): bool
    {
        return $this->hidden($at ?? Moment::at(now()->getTimestamp())) === null;
    }

    /** Why visitors do not get it at a moment. */
    public function hidden(Moment $at): ?Hidden
    {
        $moment = static fn (?Carbon $time): ?Moment => $time === null ? null : Moment::at($time->getTimestamp());

        return MenuPage::visibility($this->state, $moment($this->from_at), $moment($this->until_at), $at)[0];
    }

    public function target(): ?Target
    {
        return $this->leads_to === null ? null : Target::stored($this->leads_to);
    }

    /** @return list<Page> from the top of the tree down to the parent */
    public function ancestors(): array
    {
        $ids = array_slice(explode('.', $this->path), 0, -1);

        return $ids === [] ? [] : array_values(self::query()->whereIn('id', $ids)->orderByRaw('nlevel(path)')->get()->all());
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return BelongsTo<Page, $this> */
    public function parent(): BelongsTo
    {
        return $this->belongsTo(self::class, 'parent_id');
    }

    /** @return HasOne<PageContent, $this> */
    public function content(): HasOne
    {
        return $this->hasOne(PageContent::class);
    }

    /** @return BelongsTo<User, $this> */
    public function changedBy(): BelongsTo
    {
        return $this->belongsTo(User::class, 'changed_by');
    }
}
