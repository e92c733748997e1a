<?php

declare(strict_types=1);

/* Router of the built-in server: files of public/ as they are, all else through the application. */
$path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
$file = __DIR__.'/public'.$path;
if ($path !== '/' && ! str_contains($path, '..') && is_file($file) && ! str_ends_with($path, '.php')) {
    $types = [
        'js' => 'text/javascript',
        'css' => 'text/css',
        'woff2' => 'font/woff2',
        'woff' => 'font/woff',
        'svg' => 'image/svg+xml',
        'png' => 'image/png',
        'ico' => 'image/x-icon',
        'txt' => 'text/plain; charset=utf-8',
        'json' => 'application/json',
        'webmanifest' => 'application/manifest+json',
    ];
    header_remove('X-Powered-By');
    header('Content-Type: '.($types[pathinfo($file, PATHINFO_EXTENSION)] ?? 'application/octet-stream'));
    header('Cache-Control: '.(str_starts_with($path, '/build/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'));
    // The worker that serves pages with no line asks for them under the policy of its own file.
    header(
        "Content-Security-Policy: default-src 'none'; script-src 'self'; connect-src 'self'; style-src 'unsafe-inline'; ".
            "img-src 'self' data: blob:; font-src 'self' data:; frame-ancestors 'none'",
    );
    header('X-Content-Type-Options: nosniff');
    header('X-Frame-Options: DENY');
    header('Referrer-Policy: same-origin');
    $isText = in_array(pathinfo($file, PATHINFO_EXTENSION), ['js', 'css', 'svg', 'json', 'webmanifest', 'txt'], true);
    if ($isText && str_contains((string) ($_SERVER['HTTP_ACCEPT_ENCODING'] ?? ''), 'gzip')) {
        header('Content-Encoding: gzip');
        header('Vary: Accept-Encoding');
        echo gzencode((string) file_get_contents($file), 6);

        return true;
    }
    readfile($file);

    return true;
}
require __DIR__.'/public/index.php';
