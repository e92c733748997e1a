<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Support\Command;

/** nginx and php-fpm with the files of deploy/, in a folder and on a port of their own. */
final class DeployedSite
{
    /**
     * @param array<string, string> $environment
     * @return array{non-empty-list<list<string>>, array<string, string>} its commands, and their environment
     */
    public static function in(string $folder, int $port, array $environment): array
    {
        $root = dirname(__DIR__, 2);
        $asRoot = posix_geteuid() === 0;
        mkdir("{$folder}/cache");
        foreach (['app', 'logs', 'framework/cache/data', 'framework/sessions', 'framework/views', 'framework/turns'] as $own) {
            mkdir("{$folder}/storage/{$own}", recursive: true);
        }
        $cached = ['APP_CONFIG_CACHE' => "{$folder}/cache/config.php", 'APP_ROUTES_CACHE' => "{$folder}/cache/routes.php"];
        $environment = [
            'LARAVEL_STORAGE_PATH' => "{$folder}/storage",
            'CACHE_STORE' => 'file',
            'PATH' => '/usr/sbin:/sbin:'.$environment['PATH'],
        ] + $environment;
        foreach (['config:cache', 'route:cache'] as $command) {
            $made = Command::run([$command], '', $cached + $environment);
            $made->status === 0 || throw new \RuntimeException($made->output.$made->error);
        }
        $site = self::rendered(
            'nginx.conf',
            "LISTEN=127.0.0.1:{$port}",
            'NAME=localhost',
            "ROOT={$root}",
            "HEADERS={$root}/deploy/headers.conf",
            "SOCKET={$folder}/fpm.sock",
        );
        file_put_contents("{$folder}/site.conf", $site);
        file_put_contents(
            "{$folder}/fpm.conf",
            self::rendered('php-fpm.conf', "LOG={$folder}/fpm.log", "SOCKET={$folder}/fpm.sock", 'WORKERS=4'),
        );
        $paths = '';
        foreach (['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'] as $kind) {
            $paths .= "{$kind}_temp_path {$folder}/{$kind};\n";
        }
        file_put_contents(
            "{$folder}/nginx.conf",
            ($asRoot ? "user root;\n" : '').
                "daemon off;\npid {$folder}/nginx.pid;\nerror_log {$folder}/nginx-error.log;\nevents {}\n".
                "http {\ninclude /etc/nginx/mime.types;\naccess_log off;\n{$paths}include {$folder}/site.conf;\n}\n",
        );

        return [
            [
                ['php-fpm8.2', '--nodaemonize', ...$asRoot ? ['--allow-to-run-as-root'] : [], '--fpm-config', "{$folder}/fpm.conf"],
                ['nginx', '-p', $folder, '-c', "{$folder}/nginx.conf"],
            ],
            $cached + $environment,
        ];
    }

    private static function rendered(string $template, string ...$values): string
    {
        $command = array_map(escapeshellarg(...), [dirname(__DIR__, 2).'/deploy/render', $template, ...$values]);
        exec(implode(' ', $command).' 2>&1', $lines, $status);

        return $status === 0 ? implode("\n", $lines)."\n" : throw new \RuntimeException(implode("\n", $lines));
    }
}
