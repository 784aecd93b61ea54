<?php

declare(strict_types=1);

namespace App\Console;

use App\Instruments\Models\Channel;
use App\Instruments\Support\SimulatedShop;
use App\People\Models\User;
use App\People\Support\Role;
use App\Runs\Actions\PlanRun;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Fault;
use Dithermic\Core\Process\Processes;
use Illuminate\Console\Command;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;

/**
 * Stands in for the instruments of a demo shop: posts what they would read through the door that real ones use, each
 * machine with a token of its own. A lead switches a machine's off by revoking that token on the Shop page.
 */
final class Simulate extends Command
{
    protected $signature = 'shop:simulate
        {url : where the shop answers}
        {--every=5 : seconds between two readings}
        {--for=0 : stop after so many seconds; 0 for never}
        {--fault=* : what goes wrong, as heater_dead:Anvil or leak:Bellows}';

    protected $description = 'Post what the instruments of the machines would read';

    private const NAME = 'simulated instruments of ';

    /** what cannot be sent is kept up to this many readings for each machine */
    private const MOST_KEPT = 2000;

    /** @var array<string, list<array{machine: string, channel: string, value: float, at: float}>> */
    private array $unsent = [];

    public function handle(PlanRun $plan, Processes $processes, PolymerLibrary $polymers): int
    {
        try {
            $faults = $this->faults();
        } catch (InputError $error) {
            $this->error("{$error->field}: {$error->getMessage()}");

            return self::INVALID;
        }
        $known = $this->paired();
        $channels = array_filter(array_map(
            static fn (array $of): array => $of['token'] === null ? [] : $of['channels'],
            $known,
        ));
        $shop = new SimulatedShop($plan, $processes, $polymers, $channels, $faults);
        $every = max(1.0, (float) $this->option('every'));
        $until = (float) $this->option('for') > 0 ? microtime(true) + (float) $this->option('for') : INF;
        $this->trap([SIGTERM, SIGINT], static fn () => exit(0));
        while (microtime(true) < $until) {
            foreach ($shop->read($every) as $machine => $rows) {
                $this->unsent[$machine] = array_slice([...$this->unsent[$machine] ?? [], ...$rows], -self::MOST_KEPT);
            }
            foreach (array_keys($this->unsent) as $machine) {
                $known = $this->send($machine, $known);
            }
            usleep((int) (1e6 * $every));
        }

        return self::SUCCESS;
    }

    /**
     * @param  array<string, array{token: string|null, channels: list<string>}>  $known
     * @return array<string, array{token: string|null, channels: list<string>}>
     */
    private function send(string $machine, array $known): array
    {
        $rows = $this->unsent[$machine];
        $token = $known[$machine]['token'] ?? null;
        if ($rows === [] || $token === null) {
            unset($this->unsent[$machine]);

            return $known;
        }
        try {
            $answer = Http::withToken($token)->acceptJson()->timeout(10)->post(
                rtrim((string) $this->argument('url'), '/').'/api/v1/readings',
                ['id' => (string) Str::uuid(), 'readings' => $rows],
            );
        } catch (ConnectionException) {
            // The shop is away: what was read waits.
            return $known;
        }
        if ($answer->serverError() || $answer->status() === 429) {
            return $known;
        }
        unset($this->unsent[$machine]);
        if ($answer->unauthorized() || $answer->forbidden()) {
            $this->warn("The instruments of {$machine} are switched off: their token is not taken any more.");
            $known[$machine]['token'] = null;
            $this->keep($known);
        }

        return $known;
    }

    /**
     * Channels that are known when this first runs, and a token for each machine of theirs. What is met later has an
     * instrument of its own.
     *
     * @return array<string, array{token: string|null, channels: list<string>}> token is null where it was taken away
     */
    private function paired(): array
    {
        $kept = json_decode((string) @file_get_contents($this->file()), true);
        if (is_array($kept)) {
            /** @var array<string, array{token: string|null, channels: list<string>}> */
            return $kept;
        }
        $by = User::query()->where('role', Role::Lead)->where('active', true)->orderBy('id')->firstOrFail();
        $paired = [];
        foreach (Channel::query()->with('machine')->orderBy('id')->get()->groupBy('machine_id') as $channels) {
            /** @var Machine $machine */
            $machine = $channels->firstOrFail()->machine;
            $paired[$machine->name] = [
                'token' => $by->instrumentToken(self::NAME.$machine->name, ['readings'], $machine->id)->plainTextToken,
                'channels' => array_values($channels->map(static fn (Channel $c): string => $c->key)->all()),
            ];
        }
        $this->keep($paired);

        return $paired;
    }

    /** @param  array<string, array{token: string|null, channels: list<string>}>  $known */
    private function keep(array $known): void
    {
        $part = $this->file().'.part';
        file_put_contents($part, json_encode($known, JSON_THROW_ON_ERROR));
        chmod($part, 0600);
        rename($part, $this->file());
    }

    private function file(): string
    {
        return storage_path('framework/simulated.json');
    }

    /**
     * @return array<string, list<array{Fault, float}>>
     *
     * @throws InputError
     */
    private function faults(): array
    {
        $faults = [];
        foreach ((array) $this->option('fault') as $said) {
            [$name, $machine] = [...explode(':', (string) $said, 2), ''];
            if (Machine::query()->where('name', $machine)->doesntExist()) {
                throw new InputError('fault', "\"{$said}\" names no machine: say it as heater_dead:Anvil");
            }
            $faults[$machine][] = [Fault::named($name), Seconds::now()];
        }

        return $faults;
    }
}
