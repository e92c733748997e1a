<?php

declare(strict_types=1);

/* Router of the built-in server: files of public/ as they are, all else through the application. */
$path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
$file = __DIR__.'/public'.$path;
if ($path !== '/' && ! str_contains($path, '..') && is_file($file) && ! str_ends_with($path, '.php')) {
    if (str_starts_with($path, '/build/assets/')) {
        $types = [
            'js' => 'text/javascript',
            'css' => 'text/css',
            'woff2' => 'font/woff2',
            'woff' => 'font/woff',
            'svg' => 'image/svg+xml',
        ];
        header('Content-Type: '.($types[pathinfo($file, PATHINFO_EXTENSION)] ?? 'application/octet-stream'));
        header('Cache-Control: public, max-age=31536000, immutable');
        header('X-Content-Type-Options: nosniff');
        readfile($file);

        return true;
    }

    return false;
}
require __DIR__.'/public/index.php';
