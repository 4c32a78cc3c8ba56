import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type CreationOptional,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';

export interface ProductRow extends Model<InferAttributes<ProductRow>, InferCreationAttributes<ProductRow>> {
  slug: string;
  currentRevision: number;
  createdAt: string;
}
export interface RevisionRow extends Model<InferAttributes<RevisionRow>, InferCreationAttributes<RevisionRow>> {
  slug: string;
  revision: number;
  name: string;
  family: string;
  document: string;
  createdAt: string;
}
export interface BatchRow extends Model<InferAttributes<BatchRow>, InferCreationAttributes<BatchRow>> {
  code: string;
  version: number;
  productSlug: string;
  productRevision: number;
  startedAt: string | null;
  by: string | null;
  mould: string | null;
  stage: string;
  grade: string | null;
  outside: number;
  search: string;
  marks: CreationOptional<string>;
  document: string;
  lotA: string | null;
  lotB: string | null;
  massAG: number | null;
  massBG: number | null;
  nextCheckAt: string | null;
  nextCheckWhy: string | null;
  massG: number | null;
  note: string | null;
  facts: string | null;
  copiedFrom: string | null;
  createdAt: string;
  updatedAt: string;
  symptoms?: NonAttribute<SymptomRow[]>;
  castings?: NonAttribute<CastingRow[]>;
  revision?: NonAttribute<RevisionRow | null>;
}
export interface SymptomRow extends Model<InferAttributes<SymptomRow>, InferCreationAttributes<SymptomRow>> {
  id: CreationOptional<number>;
  batchCode: string;
  kind: string;
  pattern: string;
}
/** One casting of a batch, as lists and recalls ask for it. */
export interface CastingRow extends Model<InferAttributes<CastingRow>, InferCreationAttributes<CastingRow>> {
  batchCode: string;
  place: number;
  casting: string | null;
  mould: string | null;
  cavity: number | null;
  cup: string | null;
  grade: string | null;
  reason: string | null;
  price: number | null;
  massG: number | null;
  soldOn: string | null;
  /** 1 where somebody looked at it, and the symptoms seen, each between blanks. */
  looked: number;
  seen: string;
}
/** What the cause of a fault turned out to be, or not to be. */
export interface OutcomeRow extends Model<InferAttributes<OutcomeRow>, InferCreationAttributes<OutcomeRow>> {
  batchCode: string;
  place: number;
  symptom: string;
  casting: string | null;
  cause: string;
  how: string;
  refuted: number;
}
/** A scale, vessel or device that a batch was made with. */
export interface BatchGearRow extends Model<InferAttributes<BatchGearRow>, InferCreationAttributes<BatchGearRow>> {
  batchCode: string;
  kind: 'scale' | 'vessel' | 'device';
  gear: string;
}
export interface HistoryRow extends Model<InferAttributes<HistoryRow>, InferCreationAttributes<HistoryRow>> {
  id: CreationOptional<number>;
  batchCode: string;
  version: number;
  at: string;
  action: string;
  by: string | null;
  /** 1 where who is named had signed in. */
  verified: CreationOptional<number>;
  changedFields: string;
  document: string;
}

/** Something done at the bench, under the key that makes it count once. */
export interface EntryRow extends Model<InferAttributes<EntryRow>, InferCreationAttributes<EntryRow>> {
  key: string;
  batchCode: string;
  version: number;
  at: string;
  by: string | null;
  body: string;
}

/** A thing of the shelf: its document under its code. */
export interface ShelfRow extends Model<InferAttributes<ShelfRow>, InferCreationAttributes<ShelfRow>> {
  code: string;
  version: number;
  productSlug?: CreationOptional<string>;
  search: string;
  document: string;
  createdAt: string;
  updatedAt: string;
}
export type ShelfTable = 'lots' | 'moulds' | 'inclusions' | 'additives' | 'gear' | 'pieces';
/** A filter of the log under its name. */
export interface FilterRow extends Model<InferAttributes<FilterRow>, InferCreationAttributes<FilterRow>> {
  name: string;
  query: string;
  createdAt: string;
}
/** A choice of the studio's under its key. */
export interface SettingRow extends Model<InferAttributes<SettingRow>, InferCreationAttributes<SettingRow>> {
  key: string;
  value: string;
}

export interface Models {
  readonly shelf: Readonly<Record<ShelfTable, ModelStatic<ShelfRow>>>;
  readonly products: ModelStatic<ProductRow>;
  readonly revisions: ModelStatic<RevisionRow>;
  readonly batches: ModelStatic<BatchRow>;
  readonly symptoms: ModelStatic<SymptomRow>;
  readonly castings: ModelStatic<CastingRow>;
  readonly outcomes: ModelStatic<OutcomeRow>;
  readonly batchGear: ModelStatic<BatchGearRow>;
  readonly history: ModelStatic<HistoryRow>;
  readonly entries: ModelStatic<EntryRow>;
  readonly filters: ModelStatic<FilterRow>;
  readonly settings: ModelStatic<SettingRow>;
}

// Sequelize writes each column's name into its options, so every column needs an object of its own.
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const textOrNull = () => ({ type: DataTypes.TEXT, allowNull: true });
const real = () => ({ type: DataTypes.DOUBLE, allowNull: true });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const key = () => ({ type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true });
const table = (tableName: string) => ({ tableName, timestamps: false, underscored: true });

const defineProducts = (sequelize: Sequelize) =>
  sequelize.define<ProductRow>(
    'product',
    {
      slug: { ...text(), primaryKey: true },
      currentRevision: whole(),
      createdAt: text(),
    },
    table('products'),
  );

const defineRevisions = (sequelize: Sequelize) =>
  sequelize.define<RevisionRow>(
    'revision',
    {
      slug: { ...text(), primaryKey: true },
      revision: { ...whole(), primaryKey: true },
      name: text(),
      family: text(),
      document: text(),
      createdAt: text(),
    },
    table('product_revisions'),
  );

const defineBatches = (sequelize: Sequelize) =>
  sequelize.define<BatchRow>(
    'batch',
    {
      code: { ...text(), primaryKey: true },
      version: whole(),
      productSlug: text(),
      productRevision: whole(),
      startedAt: textOrNull(),
      by: textOrNull(),
      mould: textOrNull(),
      stage: text(),
      grade: textOrNull(),
      outside: whole(),
      search: text(),
      marks: { ...text(), defaultValue: '' },
      document: text(),
      createdAt: text(),
      updatedAt: text(),
      lotA: textOrNull(),
      lotB: textOrNull(),
      massAG: { ...real(), field: 'mass_a_g' },
      massBG: { ...real(), field: 'mass_b_g' },
      nextCheckAt: textOrNull(),
      nextCheckWhy: textOrNull(),
      massG: { ...real(), field: 'mass_g' },
      note: textOrNull(),
      facts: textOrNull(),
      copiedFrom: textOrNull(),
    },
    table('batches'),
  );

const defineSymptoms = (sequelize: Sequelize) =>
  sequelize.define<SymptomRow>(
    'symptom',
    { id: key(), batchCode: text(), kind: text(), pattern: text() },
    table('batch_symptoms'),
  );

const defineCastings = (sequelize: Sequelize) =>
  sequelize.define<CastingRow>(
    'casting',
    {
      batchCode: { ...text(), primaryKey: true },
      place: { ...whole(), primaryKey: true },
      casting: textOrNull(),
      mould: textOrNull(),
      cavity: { type: DataTypes.INTEGER, allowNull: true },
      cup: textOrNull(),
      grade: textOrNull(),
      reason: textOrNull(),
      price: real(),
      massG: { ...real(), field: 'mass_g' },
      soldOn: textOrNull(),
      looked: whole(),
      seen: text(),
    },
    table('castings'),
  );

const defineOutcomes = (sequelize: Sequelize) =>
  sequelize.define<OutcomeRow>(
    'outcome',
    {
      batchCode: { ...text(), primaryKey: true },
      place: { ...whole(), primaryKey: true },
      symptom: text(),
      casting: textOrNull(),
      cause: text(),
      how: text(),
      refuted: whole(),
    },
    table('outcomes'),
  );

const defineBatchGear = (sequelize: Sequelize) =>
  sequelize.define<BatchGearRow>(
    'batchGear',
    {
      batchCode: { ...text(), primaryKey: true },
      kind: { ...text(), primaryKey: true },
      gear: { ...text(), primaryKey: true },
    },
    table('batch_gear'),
  );

const defineHistory = (sequelize: Sequelize) =>
  sequelize.define<HistoryRow>(
    'history',
    {
      id: key(),
      batchCode: text(),
      version: whole(),
      at: text(),
      action: text(),
      by: textOrNull(),
      verified: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      changedFields: text(),
      document: text(),
    },
    table('batch_history'),
  );

const defineEntries = (sequelize: Sequelize) =>
  sequelize.define<EntryRow>(
    'entry',
    {
      key: { ...text(), primaryKey: true },
      batchCode: text(),
      version: whole(),
      at: text(),
      by: textOrNull(),
      body: text(),
    },
    table('batch_entries'),
  );

const defineShelfTable = (sequelize: Sequelize, name: ShelfTable) =>
  sequelize.define<ShelfRow>(
    name,
    {
      code: { ...text(), primaryKey: true },
      version: whole(),
      search: text(),
      document: text(),
      createdAt: text(),
      updatedAt: text(),
      ...(name === 'lots' ? { productSlug: text() } : {}),
    } as Parameters<typeof sequelize.define<ShelfRow>>[1],
    table(name),
  );

const defineFilters = (sequelize: Sequelize) =>
  sequelize.define<FilterRow>(
    'filter',
    { name: { ...text(), primaryKey: true }, query: text(), createdAt: text() },
    table('saved_filters'),
  );

const defineSettings = (sequelize: Sequelize) =>
  sequelize.define<SettingRow>('setting', { key: { ...text(), primaryKey: true }, value: text() }, table('settings'));

/** Sequelize models over the migrated tables. The tables are made by migrations alone, never by `sync`. */
export function defineModels(sequelize: Sequelize): Models {
  const batches = defineBatches(sequelize);
  const symptoms = defineSymptoms(sequelize);
  batches.hasMany(symptoms, { as: 'symptoms', foreignKey: 'batchCode', sourceKey: 'code' });
  const castings = defineCastings(sequelize);
  batches.hasMany(castings, { as: 'castings', foreignKey: 'batchCode', sourceKey: 'code' });
  return {
    castings,
    outcomes: defineOutcomes(sequelize),
    batchGear: defineBatchGear(sequelize),
    products: defineProducts(sequelize),
    revisions: defineRevisions(sequelize),
    batches,
    symptoms,
    history: defineHistory(sequelize),
    entries: defineEntries(sequelize),
    filters: defineFilters(sequelize),
    settings: defineSettings(sequelize),
    shelf: {
      lots: defineShelfTable(sequelize, 'lots'),
      moulds: defineShelfTable(sequelize, 'moulds'),
      inclusions: defineShelfTable(sequelize, 'inclusions'),
      additives: defineShelfTable(sequelize, 'additives'),
      gear: defineShelfTable(sequelize, 'gear'),
      pieces: defineShelfTable(sequelize, 'pieces'),
    },
  };
}
