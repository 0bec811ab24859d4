@if ($entry->kind === \Heronstem\Core\Menu\EntryKind::Separator)
<span class="part" aria-hidden="true"></span>
@elseif ($entry->href === null)
<span class="entry-head">{{ $entry->label }}@if ($entry->isLocked) <span class="lock" role="img" aria-label="Not open to you"></span>@endif</span>
@else
<a href="{{ $entry->href }}"@if ($onTrail && $entry->page !== null && in_array($entry->page, $trail ?? [], true)) class="on"@endif @if (isset($page) && $entry->page === $page->ulid) aria-current="page"@endif @if ($entry->title !== '') title="{{ $entry->title }}"@endif @if ($entry->newWindow) target="_blank" rel="noopener"@endif>{{ $entry->label }}@if ($entry->isLocked) <span class="lock" role="img" aria-label="Needs access"></span>@endif</a>
@endif