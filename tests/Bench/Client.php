<?php

declare(strict_types=1);

namespace Tests\Bench;

/** A person's requests over HTTP to the application as bin/start serves it, each with its time. */
final class Client
{
    private const PATIENCE_S = 120;

    private readonly \CurlHandle $curl;

    /** @param non-empty-string $address */
    public function __construct(private readonly string $address, string $mail)
    {
        $this->curl = curl_init();
        curl_setopt_array($this->curl, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEFILE => '',
            CURLOPT_TIMEOUT => self::PATIENCE_S,
        ]);
        $this->send('GET', '/api/welcome');
        $answer = $this->send('POST', '/api/session', ['email' => $mail, 'password' => 'soil-and-lime']);
        if ($answer->status !== 200) {
            throw new \RuntimeException("{$mail} was answered {$answer->status} on signing in.");
        }
    }

    /**
     * @param non-empty-string $method
     * @param array<string, mixed>|null $body
     */
    public function send(string $method, string $path, ?array $body = null): Answer
    {
        curl_setopt_array($this->curl, [
            CURLOPT_URL => $this->address.$path,
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'X-XSRF-TOKEN: '.$this->token()],
            CURLOPT_POSTFIELDS => $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        ]);
        $start = hrtime(true);
        $said = curl_exec($this->curl);

        return new Answer((hrtime(true) - $start) / 1e6, curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE), (string) $said);
    }

    private function token(): string
    {
        foreach ((array) curl_getinfo($this->curl, CURLINFO_COOKIELIST) as $line) {
            $parts = explode("\t", is_string($line) ? $line : '');
            if (($parts[5] ?? '') === 'XSRF-TOKEN') {
                return urldecode($parts[6] ?? '');
            }
        }

        return '';
    }
}
