<?php

declare(strict_types=1);

/**
 * Stands in for the old site of the Vanesay Line, which was merged into the demo's operator: a dozen pages in one frame, with an
 * address that moved, one that is gone, and a corner that its robots.txt keeps crawlers out of. Asked by simulators/web.php.
 *
 * @var string $path
 * @var Closure(int, array<string, string>, string): never $answer
 */
$pages = [
    '/' => ['Vanesay Line', 'Two boats to Vanesay and Skerra.', '<p>Since 1952 we carry people, parcels and sheep between Port Hallin and <a href="/inseln/vanesay.htm">Vanesay</a>.</p><img src="/img/otter.png" alt="The Otter in Port Hallin">'],
    '/timetable.htm' => ['Timetable', 'When the Otter and the Seal leave.', '<h2>Summer</h2><table><tr><th>From</th><th>To</th><th>At</th></tr><tr><td>Port Hallin</td><td>Vanesay</td><td>08:15</td></tr></table>'],
    '/fares.htm' => ['Fares', 'What a crossing costs.', '<p>Ten crowns for grown people, five for children. <a href="/fares/dogs.htm">Dogs</a> travel free, <a href="/fares/bicycles.htm">bicycles</a> do not. The whole list: <a href="/doc/fares.csv">fares as a table</a>.</p>'],
    '/fares/dogs.htm' => ['Dogs', 'Dogs on board.', '<p>On a lead, and not on the seats.</p>'],
    '/fares/bicycles.htm' => ['Bicycles', 'Bicycles on board.', '<p>Three crowns each way. Back to all <a href="../fares.htm">fares</a>.</p>'],
    '/inseln/vanesay.htm' => ['Vanesay', 'What to see on Vanesay.', '<p>The lighthouse, the shop and the pier. There is a <a href="walks.htm">walk around the island</a>.</p>'],
    '/inseln/skerra.htm' => ['Skerra', 'What to see on Skerra.', '<p>Puffins from May to July.</p>'],
    '/inseln/walks.htm' => ['Walks', 'Walks on the islands.', '<p>Five hours around Vanesay, two around Skerra.</p>'],
    '/about/history.htm' => ['History', 'How the line began.', '<p>One boat, one captain, one sheep.</p>'],
    '/about/contact.htm' => ['Contact', 'How to reach us.', '<p>At the pier in Port Hallin, or <a href="mailto:pier@skerrivane.example">by mail</a>. Our <a href="/boats.htm">boats</a> are for sale.</p>'],
    '/boats/otter.htm' => ['The Otter', 'A boat of 1961.', '<p>Twenty-two metres, ninety people.</p>'],
    '/intern/rota.htm' => ['Rota', 'Who works when.', '<p>Not for visitors.</p>'],
];
$menu = ['/' => 'Home', '/timetable.htm' => 'Timetable', '/fares.htm' => 'Fares', '/inseln/vanesay.htm' => 'Vanesay', '/inseln/skerra.htm' => 'Skerra', '/about/history.htm' => 'History', '/about/contact.htm' => 'Contact'];

match (true) {
    $path === '/robots.txt' => (static function (): never {
        header('Content-Type: text/plain; charset=utf-8');
        exit("User-agent: *\nDisallow: /intern/\n");
    })(),
    $path === '/boats.htm' => $answer(301, ['Location' => 'https://vanesay-line.example/boats/otter.htm'], ''),
    $path === '/doc/fares.csv' => (static function (): never {
        header('Content-Type: text/csv; charset=utf-8');
        exit("who,crowns\ngrown people,10\nchildren,5\n");
    })(),
    $path === '/img/otter.png' => (static function (): never {
        header('Content-Type: image/png');
        readfile(__DIR__.'/../database/demo/ferries/pictures/boat.png');
        exit();
    })(),
    ! isset($pages[$path]) => $answer(404, [], ''),
    default => null,
};
[$title, $description, $main] = $pages[$path];
$links = implode('', array_map(static fn (string $to, string $label): string => "<li><a href=\"$to\">$label</a></li>", array_keys($menu), $menu));
$answer(200, [], "<!DOCTYPE html><html lang=\"en\"><head><title>$title - Vanesay Line</title><meta name=\"description\" content=\"$description\"></head><body><div class=\"head\"><a href=\"/\">Vanesay Line, Port Hallin</a></div><ul class=\"menu\">$links</ul><div id=\"main\"><h1>$title</h1>$main</div><div class=\"foot\">Vanesay Line, the pier, Port Hallin. <a href=\"/intern/rota.htm\">Rota</a></div></body></html>");
