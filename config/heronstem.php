<?php

declare(strict_types=1);

return [
    // The design of the sites: its folder `layouts` holds one folder for each layout.
    'design' => env('HERONSTEM_DESIGN') ?: resource_path('design'),
    // Designs of sites by themselves: a folder each, whose files come before those of the design that ships.
    'designs' => env('HERONSTEM_DESIGNS') ?: base_path('designs'),
    // Files that people upload: a disk of config/filesystems.php.
    'files_disk' => env('HERONSTEM_FILES_DISK', 'local'),
    // Pictures people upload: largest file in bytes, and longest side in px after which they are scaled down.
    'picture_bytes' => 12 * 1024 * 1024,
    'file_bytes' => 32 * 1024 * 1024,
    'crawl_pause' => (int) env('HERONSTEM_CRAWL_PAUSE', 500), // milliseconds between two requests to an old site that is read
    // Where the web server of this node keeps rendered pages; set by whoever starts it.
    'slow' => (int) env('HERONSTEM_SLOW', 1000), // milliseconds from which on a request is logged with its statements
    'server_timing' => (bool) env('HERONSTEM_SERVER_TIMING', false), // tells browsers where the time of an answer went
    'node_folder' => env('HERONSTEM_NODE_FOLDER'),
    'picture_side' => 2400,
    'picture_pixels' => 40_000_000, // read into memory at once, all frames together: about 5 bytes each
    'idle_redirect_days' => (int) env('HERONSTEM_IDLE_REDIRECT_DAYS', 180), // a redirect that nobody used for so many days is said
    'sign_in_attempts' => 5, // wrong ones a minute for one account from one network
    'confirm_minutes' => 15, // after which signing in is confirmed before rights, access, code and settings are changed
    'sign_in_attempts_network' => (int) env('HERONSTEM_SIGN_IN_ATTEMPTS', 30), // and for all accounts from one network
    'hsts' => (int) env('HERONSTEM_HSTS', 31_536_000), // seconds for which browsers ask sites with https by https alone; 0 for not at all
    'https_port' => (int) env('HERONSTEM_HTTPS_PORT', 443), // where pages answer that demand https on a site that does not
    'trusted_proxies' => env('HERONSTEM_TRUSTED_PROXIES', ''), // addresses or networks (CIDR) of proxies in front, commas between
    'editor_url' => env('APP_URL'), // what links in mail begin with; where it is not set, the address that was asked, which is one of the editor's
    'editor_hosts' => env('HERONSTEM_EDITOR_HOSTS', ''), // names under which the editor is reached besides that of APP_URL, commas between
    // Where search engines are told of changes (IndexNow); sites tell nobody unless they are switched to.
    'index_now' => env('HERONSTEM_INDEX_NOW', 'https://api.indexnow.org/indexnow'),
    'stand_in' => env('HERONSTEM_STAND_IN'), // what stands in for other people's sites under .example, where links are tried
    'large_change' => (int) env('HERONSTEM_LARGE_CHANGE', 2000), // pages from which on a change is made in the background
    'lock_wait' => 8000, // milliseconds that somebody's change waits for another one to be written
    'redis' => env('HERONSTEM_REDIS'), // where cache, sessions, hits and what is worked out anew are, besides the database
    // API: requests a minute for one person.
    'api_rate' => (int) env('HERONSTEM_API_RATE', 6000),
];
