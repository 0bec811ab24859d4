<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Access\AccessSource;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Content\Layout\Layouts;
use Heronstem\Core\Menu\MenuPlace;
use Heronstem\Core\Moment;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Tree\StartingPoints;

/** What holds for a whole site while a change is planned. */
final readonly class SiteContext
{
    /**
     * @param  string|null  $startPage  the page at `/`; null while the site has none
     * @param  Moment  $now  when the change is made
     * @param  string  $zone  the site's time zone (IANA name), for times written without one
     * @param  Authority  $authority  of whoever makes the change
     * @param  string|null  $startPageSignedIn  what signed-in people get at `/`; null for the same as visitors
     * @param  array<string, MenuPlace>  $places  where the layout shows menus and picks, by key
     * @param  Layouts  $layouts  that pages may have
     * @param  SiteFacts  $facts  what the site says of itself in the titles of its pages
     * @param  SiteSearch  $search  what the site tells search engines as a whole
     * @param  StartingPoints|null  $startingPoints  that pages are made from; null where there are none
     * @param  AccessSource|null  $access  who works on the site; null where no change is about that
     * @param  bool  $writesCode  whether code of pages is copied along for whoever makes the change
     */
    public function __construct(
        public AddressRules $rules,
        public ?string $startPage,
        public Moment $now,
        public string $zone = 'UTC',
        public Authority $authority = Authority::Manager,
        public array $places = [],
        public ?string $startPageSignedIn = null,
        public Layouts $layouts = new Layouts(),
        public SiteFacts $facts = new SiteFacts('', '', 'en', ''),
        public SiteSearch $search = new SiteSearch(),
        public ?StartingPoints $startingPoints = null,
        public ?AccessSource $access = null,
        public bool $writesCode = false,
    ) {
    }
}
