-- A redeemed link leaves its device a secret of its own. Devices let in before ask for a link once more.
ALTER TABLE "entry_proofs" ADD COLUMN "device_print" text;
