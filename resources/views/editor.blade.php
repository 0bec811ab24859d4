<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>Heronstem</title>
    <link rel="icon" href="/_site/mark.svg" type="image/svg+xml">
    @vite('resources/js/main.tsx')
</head>
<body>
    <div id="editor"></div>
    <noscript>The editor needs JavaScript. The sites it serves do not.</noscript>
</body>
</html>
