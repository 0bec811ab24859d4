<?php

declare(strict_types=1);

namespace App\Models;

use Heronstem\Core\Access\AccessSource;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Content\Layout\Layouts;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Menu\MenuPlace;
use Heronstem\Core\Moment;
use Heronstem\Core\Search\RobotsComposer;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Tree\Caching;
use Heronstem\Core\Tree\StartingPoints;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\SiteContext;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * @property int $id
 * @property string $ulid
 * @property string $key
 * @property string $name
 * @property string $origin
 * @property string $language
 * @property string $zone
 * @property string $trailing_slash
 * @property string $suffix
 * @property bool $case_sensitive
 * @property bool $native_letters
 * @property string $search what it tells search engines as a whole, as SiteSearch reads it
 * @property string $description
 * @property string $tagline
 * @property int|null $start_page_id
 * @property int|null $start_page_signed_in_id
 * @property string $short_name
 * @property int $rules_version
 * @property string|null $sign_up whether visitors make accounts themselves, as SignUp reads it
 * @property string|null $index_now_key
 * @property string $caching how long pages are kept that say nothing of it, as Caching reads it
 * @property string $design folder of its design; empty for the one that ships
 * @property \Illuminate\Support\Carbon|null $deleted_at in the bin since then
 */
final class Site extends Model
{
    use HasUlids, SoftDeletes, StartsQuickly;

    protected $table = 'sites';

    /** @var array{string|null, SiteSearch}|null the settings as they were stored, and read */
    private ?array $readSearch = null;

    protected $guarded = ['id'];

    protected $casts = ['case_sensitive' => 'bool', 'native_letters' => 'bool'];

    /** @return list<string> */
    public function uniqueIds(): array
    {
        return ['ulid'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return HasMany<Visitor, $this> */
    public function visitors(): HasMany
    {
        return $this->hasMany(Visitor::class);
    }

    /** @return HasMany<Page, $this> each of which knows this site, so that it is not read again to ask what somebody may do there */
    public function pages(): HasMany
    {
        return $this->hasMany(Page::class)->chaperone();
    }

    /** @return HasMany<HistoryEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(HistoryEntry::class);
    }

    /** @return HasMany<File, $this> */
    public function files(): HasMany
    {
        return $this->hasMany(File::class);
    }

    /** @return HasMany<StartingPoint, $this> */
    public function points(): HasMany
    {
        return $this->hasMany(StartingPoint::class);
    }

    /** @return HasMany<SharedPiece, $this> */
    public function pieces(): HasMany
    {
        return $this->hasMany(SharedPiece::class);
    }

    /** @return HasMany<RedirectImport, $this> */
    public function imports(): HasMany
    {
        return $this->hasMany(RedirectImport::class);
    }

    /** @return HasMany<Plan, $this> */
    public function plans(): HasMany
    {
        return $this->hasMany(Plan::class);
    }

    /** @return HasMany<SiteImport, $this> what was given to be brought in */
    public function sources(): HasMany
    {
        return $this->hasMany(SiteImport::class);
    }

    /** @return HasMany<MatchList, $this> of old addresses */
    public function lists(): HasMany
    {
        return $this->hasMany(MatchList::class);
    }

    /** How long pages are kept that say nothing of it. */
    public function keptFor(): Caching
    {
        return Caching::stored($this->caching) ?? Caching::standard();
    }

    public function rules(): AddressRules
    {
        return new AddressRules(
            TrailingSlash::from($this->trailing_slash),
            $this->suffix,
            $this->case_sensitive,
            $this->language,
            $this->native_letters,
        );
    }

    /** @param  array<string, MenuPlace>  $places */
    public function context(
        Authority $authority = Authority::Manager,
        array $places = [],
        Layouts $layouts = new Layouts(),
        ?StartingPoints $startingPoints = null,
        ?AccessSource $access = null,
        bool $writesCode = false,
    ): SiteContext {
        $starts = Page::query()->whereKey(array_filter([$this->start_page_id, $this->start_page_signed_in_id]))->pluck('ulid', 'id');

        return new SiteContext(
            $this->rules(),
            $starts[$this->start_page_id] ?? null,
            Moment::at(now()->getTimestamp()),
            $this->zone,
            $authority,
            $places,
            $starts[$this->start_page_signed_in_id] ?? null,
            $layouts,
            $this->facts(),
            $this->searchSettings(),
            $startingPoints,
            $access,
            $writesCode,
        );
    }

    /** Tells links into this site from those that lead elsewhere. */
    public function ownAddresses(): OwnAddress
    {
        return new OwnAddress($this->rules(), $this->origin);
    }

    public function facts(): SiteFacts
    {
        return new SiteFacts($this->name, $this->description, $this->language, $this->origin);
    }

    /** Its robots.txt as it is served. */
    public function robotsTxt(): string
    {
        return RobotsComposer::compose($this->searchSettings()->robots, "{$this->origin}/sitemap.xml");
    }

    /** What it tells search engines as a whole. */
    public function searchSettings(): SiteSearch
    {
        // Asked for many times while one page is shown.
        if ($this->readSearch === null || $this->readSearch[0] !== $this->search) {
            $this->readSearch = [$this->search, SiteSearch::stored($this->search)];
        }

        return $this->readSearch[1];
    }
}
