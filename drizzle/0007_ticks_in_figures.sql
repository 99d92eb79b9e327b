-- The figures on the shelf tell how many rounds are ticked: all are counted anew.
UPDATE `patterns` SET `counted` = NULL, `summary` = 'null';
