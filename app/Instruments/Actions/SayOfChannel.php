<?php

declare(strict_types=1);

namespace App\Instruments\Actions;

use App\Instruments\Models\Channel;
use App\Instruments\Models\ChannelEntry;
use App\Instruments\Support\ChannelEntryKind;
use App\Instruments\Support\Watching;
use App\People\Models\User;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Instrument\Limits;
use Illuminate\Support\Facades\DB;

/** Says between what a channel should stay, or by how much it is off. What was said before stays in its log. */
final readonly class SayOfChannel
{
    /** a reading counts as what the instrument shows now for so long, s */
    private const FRESH_S = 120.0;

    public function __construct(private Watching $watching, private ShopClock $clock)
    {
    }

    /**
     * @param  int  $after  the newest entry of its log that was seen
     *
     * @throws InputError where somebody else has said something since
     */
    public function limits(Channel $channel, int $after, Limits $limits, string $note, User $by): void
    {
        $said = [
            'watched' => $limits->watched->value,
            'low' => $limits->low,
            'high' => $limits->high,
            'follows' => $limits->follows,
            'delay_s' => $limits->delayS,
            'silent_s' => $limits->silentS,
            'per_min' => $limits->perMin,
        ];
        $this->say($channel, $after, ChannelEntryKind::Limits, $note, $by, static function (Channel $of) use ($said): array {
            $of->fill($said);

            return $said;
        });
    }

    /**
     * It was held beside something that is known to be right.
     *
     * @param  float  $true  what that said
     * @param  float|null  $shown  what the instrument said; null for what it has just sent
     *
     * @throws InputError where nothing has come of late, or somebody else has said something since
     */
    public function calibrate(Channel $channel, int $after, float $true, ?float $shown, string $note, User $by): void
    {
        $now = $this->clock->now();
        $this->say($channel, $after, ChannelEntryKind::Calibrated, $note, $by, static function (Channel $of) use (
            $true,
            $shown,
            $now,
        ): array {
            $fresh = $of->last_at !== null && $now - (float) $of->last_at->format('U.v') <= self::FRESH_S;
            $read = $shown ?? ($fresh ? $of->last_value : null)
                ?? throw new InputError('shown', 'is missing: nothing was read in the last two minutes');

            return ['offset' => round($true - $read, 6), 'true' => $true, 'shown' => $read];
        });
    }

    /** @param  callable(Channel): array<string, float|string|null>  $what */
    private function say(
        Channel $channel,
        int $after,
        ChannelEntryKind $kind,
        string $note,
        User $by,
        callable $what,
    ): void {
        DB::transaction(function () use ($channel, $after, $kind, $note, $by, $what): void {
            $locked = Channel::query()->whereKey($channel->id)->lockForUpdate()->firstOrFail();
            if ((int) $locked->log()->max('id') !== $after) {
                throw new InputError('after', 'is not the newest: somebody has said something of it since. Look again');
            }
            $said = $what($locked);
            $locked->save();
            ChannelEntry::query()->create([
                'channel_id' => $locked->id,
                'kind' => $kind,
                'said' => $said,
                'note' => $note,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
            $this->watching->anew($locked);
        });
    }
}
