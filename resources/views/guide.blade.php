<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $tasks[$task] }} · Guide</title>
<link rel="icon" href="/_site/mark.svg">
<link rel="stylesheet" href="/_site/guide.css">
</head>
<body>
<div class="whole">
<nav aria-label="Tasks">
<p>Guide</p>
<ul>
@foreach ($tasks as $each => $title)
<li><a href="/guide/{{ $each }}"@if ($each === $task) aria-current="page"@endif>{{ $title }}</a></li>
@endforeach
</ul>
</nav>
<main>
{!! $html !!}
</main>
</div>
</body>
</html>
