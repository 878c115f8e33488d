import type { PacketRequest } from '@fresh-tuck/contract';

type Place = NonNullable<NonNullable<PacketRequest['storage']>['place']>;
type Dryness = NonNullable<NonNullable<PacketRequest['storage']>['dryness']>;

/** A packet of the box that nothing is begun from yet. */
export interface BoxPacket {
  readonly cropId: string;
  readonly variety: string;
  readonly year: number | null;
  readonly source: string;
  readonly rate: number | null;
  readonly seeds: number | null;
  readonly place: Place | null;
  readonly dryness: Dryness | null;
  readonly more?: Partial<PacketRequest>;
}

const packet = (
  cropId: string,
  variety: string,
  year: number | null,
  source: string,
  rate: number | null,
  seeds: number | null,
  place: Place | null = 'room',
  dryness: Dryness | null = 'dry',
  more: Partial<PacketRequest> = {},
): BoxPacket => ({ cropId, variety, year, source, rate, seeds, place, dryness, more });

/** The rest of Lantern Court's seed box: all of it invented. */
export const BOX: readonly BoxPacket[] = [
  packet('tomato', 'Copper Buoy', 2024, 'swap table', 88, 34, 'fridge', 'sealed'),
  packet('tomato', 'Stair Lamp', 2021, 'saved here', null, 60, 'room', 'dry', { generation: 2, trait: 'fruit before August' }),
  packet('tomato', 'Low Tide', 2025, 'seed shelf', 90, 18),
  packet('pepper-sweet', 'Gull Red', 2023, 'seed shelf', 82, 12),
  packet('pepper-hot', 'Bosun’s Whistle', 2025, 'swap table', 80, 9),
  packet('pepper-very-hot', 'Boiler Room', 2022, 'gift', null, 7, 'shed', 'dry'),
  packet('aubergine', 'Night Deck', 2025, 'seed shelf', 85, 15),
  packet('melon', 'Dune Bell', 2025, 'seed shelf', 85, 16),
  packet('cucumber', 'Rope Ladder', 2024, 'seed shelf', 90, 11, 'cellar'),
  packet('courgette', 'Pontoon', 2023, 'saved here', null, 8, 'room', 'dry', { generation: 1, isolation: 'distance', isolationM: 120 }),
  packet('winter-squash', 'Harbour Master', 2020, 'saved here', null, 14, 'cellar', 'damp'),
  packet('bottle-gourd', 'Float Glass', 2019, 'gift', null, 6),
  packet('luffa', 'Deck Scrub', 2023, 'swap table', null, 10),
  packet('bean-bush', 'Mooring', 2025, 'saved here', 92, 46),
  packet('bean-runner', 'Signal Mast', 2022, 'saved here', null, 22, 'shed', 'damp'),
  packet('broad-bean', 'Fog Horn', 2024, 'seed shelf', 85, 30),
  packet('pea', 'Spring Ferry', 2025, 'seed shelf', 88, 80, 'room', 'dry', { dressed: true }),
  packet('sweet-corn', 'Bright Quay', 2021, 'seed shelf', 80, 40, 'room', 'dry', { dressed: true }),
  packet('beet', 'Rust Anchor', 2023, 'seed shelf', 80, 55),
  packet('chard', 'Lamp Street', 2024, 'swap table', 78, 40),
  packet('spinach', 'Grey Morning', 2022, 'seed shelf', 75, 90),
  packet('lettuce', 'Sea Lace', 2021, 'seed shelf', 90, 300, 'shed', 'damp'),
  packet('lettuce', 'Window Box', 2025, 'seed shelf', 92, 250, 'fridge', 'sealed'),
  packet('kale', 'Breakwater', 2023, 'saved here', null, 120),
  packet('broccoli', 'Green Pier', 2024, 'seed shelf', 85, 60),
  packet('pak-choi', 'Tender', 2025, 'seed shelf', 90, 70),
  packet('radish', 'Red Pennant', 2025, 'seed shelf', 90, 4),
  packet('carrot', 'Long Cable', 2023, 'seed shelf', 75, 400),
  packet('parsnip', 'White Spar', 2024, 'seed shelf', 60, 120),
  packet('celery', 'Tall Glass', 2022, 'seed shelf', 70, 500),
  packet('onion', 'Brown Knot', 2024, 'seed shelf', 80, 150),
  packet('spring-onion', 'Quay Bunch', 2023, 'swap table', 80, 60),
  packet('asparagus', 'Dawn Watch', 2025, 'gift', 70, 20),
  packet('globe-artichoke', 'Iron Bollard', 2025, 'seed shelf', 78, 12),
  packet('sorrel', 'Sour Rope', 2024, 'saved here', null, 90),
  packet('soybean', 'Small Cargo', 2024, 'swap table', 80, 25),
  packet('okra', 'Short Mast', 2021, 'saved here', null, 3, 'room', 'dry', { generation: 1 }),
  packet('basil', 'Galley', 2025, 'seed shelf', 85, 200),
  packet('coriander', 'Round Shot', 2024, 'saved here', 80, 50, 'room', 'dry', { generation: 3, trait: 'slow to flower' }),
  packet('parsley', 'Curl of Smoke', 2023, 'seed shelf', 75, 130),
  packet('dill', 'Sail Thread', 2024, 'saved here', null, 80),
  packet('fennel', 'Bronze Bell', null, 'found in a coat', null, 15, null, null),
  packet('lavender', 'Blue Hour', 2025, 'gift', 60, 30, 'fridge', 'dry'),
  packet('nasturtium', 'Flare Locker', 2024, 'saved here', null, 24),
  packet('morning-glory', 'Early Watch', 2023, 'swap table', 85, 19),
  packet('lupin', 'Tall Story', 2022, 'gift', 80, 16),
  packet('zinnia', 'Paint Locker', 2025, 'seed shelf', 85, 40),
  packet('sunflower', 'Noon Gun', 2024, 'saved here', 90, 28),
  packet('cosmos', 'Pale Wake', 2024, 'saved here', null, 45),
  packet('foxglove', 'Bell Tower', 2023, 'swap table', null, 500),
  packet('poppy', 'Ember', 2022, 'saved here', null, 600, 'room', 'sealed'),
  packet('passion-fruit', 'Balcony Rail', 2025, 'gift', 60, 8),
  packet('apple', 'Court Pip', 2025, 'saved here', null, 12, 'fridge', 'dry'),
  packet('marigold', 'Brass Button', 2024, 'saved here', 85, 0),
];
