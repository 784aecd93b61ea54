<?php

declare(strict_types=1);

namespace App\Support;

/**
 * A calendar to subscribe to (RFC 5545): lines of 75 bytes at most, folded between letters, times in UTC. The one
 * package that writes it and can be had is of an older PHP, and says so with every answer.
 */
final class Calendar
{
    private const LONGEST = 75;

    /** @var list<string> */
    private array $lines = [];

    public function __construct(string $name)
    {
        array_push(
            $this->lines,
            'BEGIN:VCALENDAR',
            'VERSION:2.0',
            'PRODID:-//Dithermic//Plan//EN',
            'CALSCALE:GREGORIAN',
            'METHOD:PUBLISH',
            'X-WR-CALNAME:'.self::text($name),
        );
    }

    /**
     * @param  string  $uid  the same for the same thing, so that one that moved is moved and not doubled
     * @param  float  $from  s since 1970 UTC
     * @param  float  $stamp  when it was said, s since 1970 UTC
     */
    public function add(string $uid, string $title, float $from, float $to, float $stamp, string $more = ''): void
    {
        array_push(
            $this->lines,
            'BEGIN:VEVENT',
            'UID:'.self::text($uid),
            'DTSTAMP:'.self::moment($stamp),
            'DTSTART:'.self::moment($from),
            'DTEND:'.self::moment(max($from, $to)),
            'SUMMARY:'.self::text($title),
            ...($more === '' ? [] : ['DESCRIPTION:'.self::text($more)]),
            ...['END:VEVENT'],
        );
    }

    public function written(): string
    {
        return implode('', array_map(self::fold(...), [...$this->lines, 'END:VCALENDAR']));
    }

    private static function moment(float $at): string
    {
        return gmdate('Ymd\THis\Z', (int) round($at));
    }

    /** What somebody typed ends no line and begins no other. */
    private static function text(string $said): string
    {
        $plain = (string) preg_replace('/[\x00-\x09\x0B-\x1F\x7F]/u', ' ', $said);

        return strtr($plain, ['\\' => '\\\\', ';' => '\\;', ',' => '\\,', "\n" => '\\n']);
    }

    private static function fold(string $line): string
    {
        $folded = [''];
        foreach (mb_str_split($line) as $letter) {
            $last = count($folded) - 1;
            if (strlen($folded[$last]) + strlen($letter) > self::LONGEST - ($last === 0 ? 0 : 1)) {
                $folded[] = '';
                $last++;
            }
            $folded[$last] .= $letter;
        }

        return implode("\r\n ", $folded)."\r\n";
    }
}
